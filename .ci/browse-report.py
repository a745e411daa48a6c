"""Drives a report in headless Chromium as a reader would: filter, sort, follow a mark, find one, print. Arguments: the report, and a folder for pictures if wanted."""
import base64
import pathlib
import sys

from selenium import webdriver
from selenium.webdriver.common.by import By

report = pathlib.Path(sys.argv[1]).resolve()
pictures = pathlib.Path(sys.argv[2]) if len(sys.argv) > 2 else None
options = webdriver.ChromeOptions()
for argument in ("--headless=new", "--no-sandbox", "--disable-gpu", "--disable-quic", "--no-first-run", "--disable-background-networking", "--disable-component-update", "--disable-sync", "--window-size=1280,887"):
    options.add_argument(argument)
options.set_capability("goog:loggingPrefs", {"browser": "ALL", "performance": "ALL"})
browser = webdriver.Chrome(options=options, service=webdriver.chrome.service.Service("/usr/bin/chromedriver"))
problems = []


def expect(holds, what):
    print(("ok      " if holds else "PROBLEM ") + what)
    if not holds:
        problems.append(what)


def shot(name):
    if pictures:
        browser.save_screenshot(str(pictures / (name + ".png")))


try:
    browser.get(report.as_uri())
    table = browser.find_element(By.CSS_SELECTOR, "table.sorts")
    rows = lambda: [r for r in table.find_elements(By.CSS_SELECTOR, "tbody tr") if r.is_displayed()]
    cells = lambda column: [r.find_elements(By.TAG_NAME, "td")[column].text for r in rows()]
    heads = [h.text for h in table.find_elements(By.TAG_NAME, "th")]
    marks = cells(0)
    every = len(marks)
    expect(every > 1 and len(set(marks)) == every, f"{every} footings stand in the table, none twice")
    browser.execute_script("document.getElementById('c-results').scrollIntoView()")
    shot("report")

    box = browser.find_element(By.CSS_SELECTOR, ".tools input[type=search]")
    box.send_keys(marks[0].lower() + " ok")
    expect(marks[0] in cells(0) and len(rows()) < every, f"the filter \"{marks[0].lower()} ok\" leaves {len(rows())} of them")
    expect(browser.find_element(By.CSS_SELECTOR, ".tools span").text == f"{len(rows())} of {every} shown", "and says how many")
    box.send_keys("\b" * 40)
    fails = browser.find_element(By.CSS_SELECTOR, ".tools input[type=checkbox]")
    fails.click()
    expect(len(rows()) == len(table.find_elements(By.CSS_SELECTOR, "tbody tr:has(.fail)")), f"only what fails: {len(rows())}")
    fails.click()
    expect(len(rows()) == every, "without a filter all are back")

    column = heads.index("util.")
    head = table.find_elements(By.TAG_NAME, "th")[column]
    used = lambda: [float(v.replace(">", "")) for v in cells(column)]
    head.click()
    expect(used() == sorted(used()) and head.get_attribute("aria-sort") == "ascending", "sorted by utilisation, least first")
    head.click()
    expect(used() == sorted(used(), reverse=True), "and the other way round")
    table.find_elements(By.TAG_NAME, "th")[0].click()
    # Marks of one kind stand together, and F9 before F10 among them.
    order = lambda mark: ("".join(c for c in mark if not c.isdigit()), int("".join(c for c in mark if c.isdigit())))
    expect(cells(0) == sorted(marks, key=order), "marks sort by their letters, then by their numbers")

    last = cells(0)[-1]
    # The first and the last are of two kinds where a project has more than one.
    for row, mark in ((0, cells(0)[0]), (-1, last)):
        link = rows()[row].find_element(By.TAG_NAME, "a")
        browser.execute_script("arguments[0].scrollIntoView({block: 'center'})", link)
        link.click()
        here = browser.execute_script("return location.hash")
        section = browser.find_element(By.CSS_SELECTOR, here)
        top = browser.execute_script("return arguments[0].getBoundingClientRect().top", section)
        expect((mark + ", ") in section.find_element(By.TAG_NAME, "h3").text, f"the mark {mark} leads to its section")
        expect(abs(top) < 850, "which is in view")
        expect(len(section.find_elements(By.CSS_SELECTOR, "figure svg")) >= 2, "with its figures")
        shot("report-footing-" + mark)

    find = browser.find_elements(By.CSS_SELECTOR, "nav input")
    if find:
        find[0].send_keys(last)
        shown = [a.text for a in browser.find_elements(By.CSS_SELECTOR, "nav a.two") if a.is_displayed()]
        expect(len(shown) == 1 and last in shown[0], f"the contents find {last}: {shown}")

    outside = [e for e in browser.get_log("performance") if '"Network.requestWillBeSent"' in e["message"] and '"url":"http' in e["message"]]
    expect(not outside, "nothing is fetched from elsewhere")
    errors = [e["message"] for e in browser.get_log("browser") if e["level"] == "SEVERE"]
    expect(not errors, "no errors: " + "; ".join(errors) if errors else "no errors")
    printed = base64.b64decode(browser.print_page())
    expect(printed.count(b"/Type /Page\n") + printed.count(b"/Type /Page ") + printed.count(b"/Type /Page/") >= every, "it prints, a footing a page or more")
    if pictures:
        (pictures / "printed.pdf").write_bytes(printed)
finally:
    browser.quit()
print(f"{len(problems)} problems")
sys.exit(1 if problems else 0)
