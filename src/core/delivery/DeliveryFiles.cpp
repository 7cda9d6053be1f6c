#include "core/delivery/DeliveryFiles.h"

#include <cmath>
#include <sstream>

#include "core/audio/Error.h"
#include "core/separation/NetworkLibrary.h"
#include "core/session/WholeFile.h"

namespace rivlen {

namespace {

std::string text(const char* format, double v) {
    char line[48];
    std::snprintf(line, sizeof line, format, v);
    return line;
}

std::string number(const std::optional<double>& v, const char* unit = "") { return v ? text("%.1f", *v) + (*unit ? std::string(" ") + unit : "") : std::string("–"); }

std::string escaped(const std::string& plain) {
    std::string out;
    for (char c : plain) out += c == '<' ? "&lt;" : c == '>' ? "&gt;" : c == '&' ? "&amp;" : c == '"' ? "&quot;" : std::string(1, c);
    return out;
}

std::string quoted(const std::string& plain) {
    std::string out = "\"";
    for (char c : plain) out += c == '"' ? "\"\"" : std::string(1, c);
    return out + "\"";
}

std::string csv(const std::vector<DeliveryReport>& reports) {
    std::ostringstream out;
    out << "reel,name,file,format,duration_s,integrated_lufs,range_lu,true_peak_dbtp,gain_db,limited_db,noise_floor_dbfs,passed,failed_checks\n";
    for (const auto& r : reports) {
        std::string failed;
        for (const auto& c : r.checks)
            if (!c.passed) failed += (failed.empty() ? "" : "; ") + c.name + ": " + c.detail;
        const auto field = [](const std::optional<double>& v) { return v ? text("%.2f", *v) : std::string(); };
        out << quoted(r.reel) << ',' << quoted(r.name) << ',' << quoted(r.path.filename().string()) << ',' << quoted(r.format) << ',' << text("%.3f", r.duration) << ',' << field(r.integrated) << ',' << field(r.range) << ','
            << field(r.truePeak) << ',' << text("%.2f", r.gain) << ',' << text("%.2f", r.limited) << ',' << field(r.noiseAfter) << ',' << (r.passed() ? "yes" : "no") << ',' << quoted(failed) << '\n';
    }
    return out.str();
}

/// Loudness of a file on a scale from -40 to 0 LUFS, as a bar with its peak.
std::string bar(const DeliveryReport& r) {
    if (!r.integrated) return "";
    const auto x = [](double db) { return std::max(0.0, std::min(1.0, (db + 40) / 40)) * 200; };
    std::ostringstream out;
    out << "<svg width=\"204\" height=\"16\"><rect width=\"204\" height=\"16\" fill=\"#e7e0d2\"/><rect width=\"" << x(*r.integrated) << "\" height=\"16\" fill=\"#8f8777\"/>";
    if (r.truePeak) out << "<rect x=\"" << x(*r.truePeak) << "\" width=\"3\" height=\"16\" fill=\"" << (*r.truePeak > -1 ? "#c4562b" : "#3a352e") << "\"/>";
    out << "</svg>";
    return out.str();
}

std::string html(const std::vector<DeliveryReport>& reports, const std::string& session) {
    std::ostringstream out;
    size_t good = 0;
    for (const auto& r : reports) good += r.passed();
    out << "<!doctype html>\n<html lang=\"en\"><head><meta charset=\"utf-8\"><title>" << escaped(session) << ": delivery</title><style>"
        << "body{font:14px Inter,sans-serif;color:#1d1b18;background:#f6f1e6;margin:32px;max-width:1100px}table{border-collapse:collapse;width:100%}td,th{text-align:left;padding:6px 10px;border-bottom:1px solid #d8cfbd;vertical-align:top}"
        << "td.n{text-align:right;font-variant-numeric:tabular-nums}.bad{color:#b0441b;font-weight:600}.quiet{color:#6d665a}li{margin:2px 0}ul{margin:4px 0;padding-left:18px}</style></head><body>\n"
        << "<h1>" << escaped(session) << "</h1>\n<p>" << good << " of " << reports.size() << " files passed all their checks" << (good == reports.size() ? "." : "; the others are held back and were not written.") << "</p>\n"
        << "<table><tr><th>File</th><th>Format</th><th>Length</th><th>Loudness</th><th>Range</th><th>True peak</th><th>Gain</th><th>Noise floor</th><th></th></tr>\n";
    for (const auto& r : reports) {
        out << "<tr><td>" << escaped(r.path.filename().string()) << "<div class=\"quiet\">" << escaped(r.reel) << ", " << escaped(r.name) << "</div></td><td>" << escaped(r.format) << "</td><td class=\"n\">" << text("%.2f s", r.duration)
            << "</td><td class=\"n\">" << number(r.integrated, "LUFS") << "</td><td class=\"n\">" << number(r.range, "LU") << "</td><td class=\"n\">" << number(r.truePeak, "dBTP") << "</td><td class=\"n\">" << text("%+.1f dB", r.gain)
            << (r.limited < -0.05 ? "<br>limited " + text("%.1f dB", r.limited) : std::string()) << "</td><td class=\"n\">" << number(r.noiseBefore) << " &rarr; " << number(r.noiseAfter, "dBFS") << "</td><td>" << bar(r) << "</td></tr>\n<tr><td colspan=\"9\"><ul>";
        for (const auto& c : r.checks) out << "<li" << (c.passed ? "" : " class=\"bad\"") << ">" << (c.passed ? "&#10003; " : "&#10007; ") << escaped(c.name) << ": " << escaped(c.detail) << "</li>";
        out << "</ul></td></tr>\n";
    }
    out << "</table>\n<p class=\"quiet\">Loudness after ITU-R BS.1770 and EBU R 128, true peak fourfold oversampled, of the files themselves as they were read again.</p></body></html>\n";
    return out.str();
}

void write(const std::filesystem::path& file, const std::string& content) {
    if (!writeWholeFile(file, content))
        throw Error(Error::Kind::OutputUnwritable, "The report \"" + file.string() + "\" cannot be written: check that the folder may be written to and has space.");
}

}  // namespace

void writeDeliveryReport(const std::vector<DeliveryReport>& reports, const std::string& session, const std::filesystem::path& folder, const std::string& prefix) {
    nlohmann::json all = nlohmann::json::array();
    std::string sums;
    for (const auto& r : reports) {
        nlohmann::json j = toJson(r);
        if (!r.heldBack) {
            const std::string sum = fileSha256(r.path);
            j["sha256"] = sum;
            sums += sum + "  " + r.path.filename().string() + "\n";
        }
        all.push_back(std::move(j));
    }
    write(folder / (prefix + ".json"), nlohmann::json{{"session", session}, {"deliverables", all}}.dump(1) + "\n");
    write(folder / (prefix + ".csv"), csv(reports));
    write(folder / (prefix + ".html"), html(reports, session));
    write(folder / (prefix + ".sha256"), sums);  // as sha256sum -c reads it
}

}  // namespace rivlen
