using Plinth.Reports.Documents;

namespace Plinth.Reports.Writers;

/// <summary>Writes reports in one format.</summary>
public interface IReportWriter
{
    /// <summary>Writes a report.</summary>
    /// <param name="report">The report.</param>
    /// <param name="stream">Where to.</param>
    void Write(ReportDocument report, Stream stream);
}
