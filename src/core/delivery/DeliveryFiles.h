#pragma once
#include "core/delivery/DeliveryReport.h"

namespace rivlen {

/// Writes what was delivered beside it: PREFIX.json, PREFIX.csv, PREFIX.html and PREFIX.pdf (pages for the client: what
/// each file is, its figures, its loudness over time and its checks), PREFIX.sha256 and PREFIX.md5 (as sha256sum -c and
/// md5sum -c read them). Each appears completely or not at all; older ones of the same name are replaced. Throws Error
/// (OutputUnwritable).
void writeDeliveryReport(const std::vector<DeliveryReport>& reports, const std::string& session,
                         const std::filesystem::path& folder, const std::string& prefix = "delivery");

/// The page as HTML, whole in itself.
std::string deliveryPage(const std::vector<DeliveryReport>& reports, const std::string& session);
/// The same as PDF, A4, several pages where it must (Cairo and Pango). Its bytes.
std::string deliveryPdf(const std::vector<DeliveryReport>& reports, const std::string& session);

/// What a row of the report says, for both.
struct DeliveryFigures {
    std::string loudness, range, truePeak, gain, noise;
    explicit DeliveryFigures(const DeliveryReport& report);
};
/// "7 of 8 files passed all their checks; ..."
std::string deliverySummary(const std::vector<DeliveryReport>& reports);
/// How the figures were measured, in a sentence.
extern const char* const kHowMeasured;

}  // namespace rivlen
