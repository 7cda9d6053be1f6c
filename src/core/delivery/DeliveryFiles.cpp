#include "core/delivery/DeliveryFiles.h"

#include <sstream>

#include "core/base/Error.h"
#include "core/base/Text.h"
#include "core/media/WholeFile.h"

namespace rivlen {

namespace {

std::string csv(const std::vector<DeliveryReport>& reports) {
    std::ostringstream out;
    out << "reel,name,file,format,duration_s,integrated_lufs,range_lu,true_peak_dbtp,gain_db,limited_db,noise_floor_"
           "dbfs,passed,failed_checks\n";
    for (const auto& r : reports) {
        std::string failed;
        for (const auto& c : r.checks)
            if (!c.passed) failed += (failed.empty() ? "" : "; ") + c.name + ": " + c.detail;
        const auto field = [](const std::optional<double>& v) { return v ? formatted("%.2f", *v) : std::string(); };
        out << quotedForCsv(r.reel) << ',' << quotedForCsv(r.name) << ',' << quotedForCsv(r.path.filename().string())
            << ',' << quotedForCsv(r.format) << ',' << formatted("%.3f", r.duration) << ',' << field(r.integrated)
            << ',' << field(r.range) << ',' << field(r.truePeak) << ',' << formatted("%.2f", r.gain) << ','
            << formatted("%.2f", r.limited) << ',' << field(r.noiseAfter) << ',' << (r.passed() ? "yes" : "no") << ','
            << quotedForCsv(failed) << '\n';
    }
    return out.str();
}

void write(const std::filesystem::path& file, const std::string& content) {
    if (!writeWholeFile(file, content))
        throw Error(Error::Kind::OutputUnwritable,
                    "The report \"" + file.string() +
                        "\" cannot be written: check that the folder may be written to and has space.");
}

}  // namespace

void writeDeliveryReport(const std::vector<DeliveryReport>& reports, const std::string& session,
                         const std::filesystem::path& folder, const std::string& prefix) {
    nlohmann::json all = nlohmann::json::array();
    std::string sha256, md5;
    for (const auto& r : reports) {
        all.push_back(toJson(r));
        for (size_t i = 0; i < r.files.size() && i < r.sha256.size() && !r.heldBack; ++i) {
            sha256 += r.sha256[i] + "  " + r.files[i].filename().string() + "\n";
            md5 += r.md5[i] + "  " + r.files[i].filename().string() + "\n";
        }
    }
    write(folder / (prefix + ".json"), nlohmann::json{{"session", session}, {"deliverables", all}}.dump(
                                           1, ' ', false, nlohmann::json::error_handler_t::replace) +
                                           "\n");
    write(folder / (prefix + ".csv"), csv(reports));
    write(folder / (prefix + ".html"), deliveryPage(reports, session));
    write(folder / (prefix + ".pdf"), deliveryPdf(reports, session));
    write(folder / (prefix + ".sha256"), sha256);  // as sha256sum -c reads it
    write(folder / (prefix + ".md5"), md5);
}

}  // namespace rivlen
