#include <algorithm>
#include <cmath>
#include <sstream>

#include "core/base/Text.h"
#include "core/delivery/DeliveryFiles.h"
#include "core/media/Timecode.h"

namespace rivlen {

namespace {

std::string number(const std::optional<double>& v, const char* unit) {
    return v ? formatted("%.1f %s", *v, unit) : std::string("–");
}

/// Waveform, and short-term loudness over it from -50 to 0 LUFS.
std::string plot(const DeliveryReport& r) {
    constexpr double w = 1000, h = 90;
    std::ostringstream out;
    out << "<svg viewBox=\"0 0 1000 108\" role=\"img\" aria-label=\"waveform and short-term loudness\"><rect "
           "width=\"1000\" height=\"90\" fill=\"#ece5d6\"/>";
    const auto shape = [&](auto each) {
        std::ostringstream d;
        d.precision(5);
        each(d);
        return d.str();
    };
    if (!r.curves->wave.empty()) {
        out << "<path fill=\"#cfc4ae\" d=\"" << shape([&](auto& d) {
            const double step = w / double(r.curves->wave.size());
            for (size_t i = 0; i < r.curves->wave.size(); ++i) {
                const auto& [low, high] = r.curves->wave[i];
                const double top = h / 2 * (1 - std::min(1.0, double(high))),
                             bottom = h / 2 * (1 - std::max(-1.0, double(low)));
                d << "M" << double(i) * step << " " << top << "h" << step << "V" << bottom << "h" << -step << "z";
            }
        }) << "\"/>";
    }
    for (int lufs : {-40, -30, -20, -10}) {
        const double y = h * -lufs / 50;
        out << "<path stroke=\"#b9ae99\" stroke-dasharray=\"2 4\" d=\"M0 " << y << "H1000\"/><text x=\"996\" y=\""
            << y - 2 << "\" text-anchor=\"end\" font-size=\"10\" fill=\"#6d665a\">" << lufs << "</text>";
    }
    const auto y = [&](double lufs) { return h * std::clamp(-lufs / 50, 0.0, 1.0); };
    if (r.curves->shortTerm.size() > 1)
        out << "<path fill=\"none\" stroke=\"#3a352e\" stroke-width=\"1.6\" d=\"" << shape([&](auto& d) {
            for (size_t i = 0; i < r.curves->shortTerm.size(); ++i)
                d << (i ? "L" : "M") << w * double(i + 1) / double(r.curves->shortTerm.size()) << " "
                  << y(double(r.curves->shortTerm[i]));
        }) << "\"/>";
    if (r.integrated) out << "<path stroke=\"#b0441b\" d=\"M0 " << y(*r.integrated) << "H1000\"/>";
    out << "<text x=\"0\" y=\"104\" font-size=\"11\" fill=\"#6d665a\">short-term loudness over "
        << formatDuration(r.duration) << " (LUFS, dark), integrated (red), waveform behind</text></svg>";
    return out.str();
}

}  // namespace

const char* const kHowMeasured =
    "Loudness after ITU-R BS.1770 and EBU R 128, true peak fourfold oversampled, of the files themselves as they were "
    "read again.";

DeliveryFigures::DeliveryFigures(const DeliveryReport& r) {
    loudness = number(r.integrated, "LUFS");
    if (r.dialogue) loudness += ", speech " + number(r.dialogue, "LUFS");
    range = number(r.range, "LU");
    truePeak = number(r.truePeak, "dBTP");
    gain = formatted("%+.1f dB", r.gain);
    if (r.limited < -0.05) gain += formatted(", limited %.1f dB", r.limited);
    noise =
        r.noiseBefore && r.noiseAfter ? formatted("%.1f → %.1f dBFS", *r.noiseBefore, *r.noiseAfter) : std::string("–");
}

std::string deliverySummary(const std::vector<DeliveryReport>& reports) {
    const size_t good =
        size_t(std::count_if(reports.begin(), reports.end(), [](const auto& r) { return !r.heldBack; }));
    return std::to_string(good) + " of " + std::to_string(reports.size()) + " deliverables passed all their checks" +
           (good == reports.size() ? "." : "; the others are held back and were not written.");
}

std::string deliveryPage(const std::vector<DeliveryReport>& reports, const std::string& session) {
    std::ostringstream out;
    out << "<!doctype html>\n<html lang=\"en\"><head><meta charset=\"utf-8\"><title>" << escapedForXml(session)
        << ": delivery</title><style>"
        << "body{font:14px Inter,sans-serif;color:#1d1b18;background:#f6f1e6;margin:32px "
           "auto;max-width:1000px;padding:0 16px}h2{margin:32px 0 "
           "2px;font-size:17px}dl{display:flex;flex-wrap:wrap;gap:4px 28px;margin:8px 0}dl div{min-width:90px}"
        << "dt{color:#6d665a;font-size:12px}dd{margin:0;font-variant-numeric:tabular-nums}.bad{color:#b0441b;font-"
           "weight:600}.quiet{color:#6d665a}ul{margin:6px "
           "0;padding-left:2px;list-style:none}code{font-size:11px;color:#6d665a;word-break:break-all}svg{width:100%}</"
           "style></head><body>\n"
        << "<h1>" << escapedForXml(session) << "</h1>\n<p>" << deliverySummary(reports) << "</p>\n";
    for (const auto& r : reports) {
        const DeliveryFigures f(r);
        out << "<h2" << (r.heldBack ? " class=\"bad\">Held back: " : ">") << escapedForXml(r.path.filename().string())
            << "</h2>\n<div class=\"quiet\">" << escapedForXml(r.reel + ", " + r.name + ": " + r.format)
            << "</div>\n<dl>";
        const auto fact = [&](const char* name, const std::string& value) {
            out << "<div><dt>" << name << "</dt><dd>" << escapedForXml(value) << "</dd></div>";
        };
        fact("Length", formatTime(r.duration));
        fact("Loudness", f.loudness), fact("Short-term, most", number(r.maxShortTerm, "LUFS")),
            fact("Momentary, most", number(r.maxMomentary, "LUFS"));
        fact("Range", f.range), fact("True peak", f.truePeak), fact("Gain", f.gain), fact("Noise floor", f.noise);
        out << "</dl>\n" << plot(r) << "\n<ul>";
        for (const auto& c : r.checks)
            out << "<li" << (c.passed ? ">&#10003; " : " class=\"bad\">&#10007; ") << escapedForXml(c.name) << ": "
                << escapedForXml(c.detail) << "</li>\n";
        out << "</ul>\n";
        for (size_t i = 0; i < r.sha256.size() && i < r.files.size(); ++i)
            out << "<div><code>SHA-256 " << r.sha256[i]
                << (r.files.size() > 1 ? "  " + escapedForXml(r.files[i].filename().string()) : std::string())
                << "</code></div>\n";
    }
    out << "<p class=\"quiet\">" << kHowMeasured << "</p></body></html>\n";
    return out.str();
}

}  // namespace rivlen
