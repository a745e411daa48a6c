"use strict";
(() => {
  const number = text => {
    const value = parseFloat(text.replace("−", "-").replace(">", ""));
    return Number.isNaN(value) ? null : value;
  };
  const compare = (a, b) => {
    const [x, y] = [number(a), number(b)];
    return x !== null && y !== null && x !== y ? x - y : a.localeCompare(b, undefined, { numeric: true });
  };
  for (const table of document.querySelectorAll("table.sorts")) {
    const body = table.tBodies[0];
    const heads = [...table.tHead.rows[0].cells];
    const tools = document.createElement("div");
    tools.className = "tools";
    tools.innerHTML = '<label>Filter <input type="search" placeholder="mark, support, check, combination"></label><label><input type="checkbox"> only what fails</label><span role="status"></span>';
    table.before(tools);
    const [text, fails] = tools.querySelectorAll("input");
    const status = tools.querySelector("span");
    const show = () => {
      const words = text.value.toLowerCase().split(/\s+/).filter(Boolean);
      let shown = 0;
      for (const row of body.rows) {
        const content = row.textContent.toLowerCase();
        row.hidden = !words.every(w => content.includes(w)) || (fails.checked && !row.querySelector(".fail"));
        shown += row.hidden ? 0 : 1;
      }
      status.textContent = shown + " of " + body.rows.length + " shown";
    };
    text.addEventListener("input", show);
    fails.addEventListener("change", show);
    show();
    heads.forEach((head, column) => {
      head.tabIndex = 0;
      head.title = "sort";
      const sort = () => {
        const down = head.getAttribute("aria-sort") === "ascending";
        heads.forEach(h => h.removeAttribute("aria-sort"));
        head.setAttribute("aria-sort", down ? "descending" : "ascending");
        const rows = [...body.rows].sort((a, b) => compare(a.cells[column].textContent, b.cells[column].textContent) * (down ? -1 : 1));
        body.append(...rows);
      };
      head.addEventListener("click", sort);
      head.addEventListener("keydown", e => { if (e.key === "Enter") sort(); });
    });
  }
  const find = document.querySelector("nav input");
  if (find) {
    find.addEventListener("input", () => {
      const word = find.value.toLowerCase();
      for (const link of document.querySelectorAll("nav a.two")) link.hidden = !link.textContent.toLowerCase().includes(word);
    });
  }
})();
