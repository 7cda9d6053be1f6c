#include "core/delivery/DeliveryReport.h"

#include <algorithm>
#include <cmath>

namespace rivlen {

namespace {

using Figure = std::optional<double> DeliveryReport::*;
constexpr std::pair<const char*, Figure> kFigures[] = {
    {"integrated_lufs", &DeliveryReport::integrated},
    {"range_lu", &DeliveryReport::range},
    {"true_peak_dbtp", &DeliveryReport::truePeak},
    {"max_momentary_lufs", &DeliveryReport::maxMomentary},
    {"max_short_term_lufs", &DeliveryReport::maxShortTerm},
    {"dialogue_lufs", &DeliveryReport::dialogue},
    {"noise_floor_before_dbfs", &DeliveryReport::noiseBefore},
    {"noise_floor_after_dbfs", &DeliveryReport::noiseAfter},
};

double rounded(double v, double steps) { return std::round(v * steps) / steps; }

}  // namespace

bool DeliveryReport::passed() const {
    return std::all_of(checks.begin(), checks.end(), [](const DeliveryCheck& c) { return c.passed; });
}

nlohmann::json toJson(const DeliveryReport& r, bool withCurves) {
    nlohmann::json checks = nlohmann::json::array(), files = nlohmann::json::array();
    for (const auto& c : r.checks) checks.push_back({{"name", c.name}, {"passed", c.passed}, {"detail", c.detail}});
    for (size_t i = 0; i < r.files.size(); ++i) {
        nlohmann::json file{{"path", r.files[i].string()}};
        if (i < r.sha256.size()) file["sha256"] = r.sha256[i], file["md5"] = r.md5[i];
        files.push_back(std::move(file));
    }
    nlohmann::json j{{"name", r.name},
                     {"reel", r.reel},
                     {"path", r.path.string()},
                     {"files", files},
                     {"format", r.format},
                     {"duration_s", rounded(r.duration, 1000)},
                     {"gain_db", rounded(r.gain, 100)},
                     {"limited_db", rounded(r.limited, 100)},
                     {"held_back", r.heldBack},
                     {"checks", checks}};
    for (const auto& [name, figure] : kFigures)
        j[name] = r.*figure ? nlohmann::json(rounded(*(r.*figure), 100)) : nlohmann::json(nullptr);
    if (!r.picture.empty()) j["picture_md5"] = r.picture;
    if (!withCurves) return j;
    j["short_term_lufs"] = nlohmann::json::array();
    for (float v : r.curves->shortTerm) j["short_term_lufs"].push_back(rounded(double(v), 10));
    j["wave"] = nlohmann::json::array();
    for (const auto& [low, high] : r.curves->wave)
        j["wave"].push_back({rounded(double(low), 1000), rounded(double(high), 1000)});
    return j;
}

DeliveryReport deliveryReportFromJson(const nlohmann::json& j) {
    DeliveryReport r;
    r.name = j.at("name"), r.reel = j.at("reel"), r.format = j.at("format");
    r.path = j.at("path").get<std::string>();
    for (const auto& f : j.at("files")) {
        r.files.push_back(f.at("path").get<std::string>());
        if (f.contains("sha256")) r.sha256.push_back(f.at("sha256")), r.md5.push_back(f.value("md5", ""));
    }
    r.duration = j.at("duration_s");
    for (const auto& [name, figure] : kFigures)
        if (j.contains(name) && j.at(name).is_number()) r.*figure = j.at(name).get<double>();
    r.gain = j.at("gain_db"), r.limited = j.at("limited_db"), r.heldBack = j.at("held_back");
    r.picture = j.value("picture_md5", "");
    for (const auto& c : j.at("checks")) r.checks.push_back({c.at("name"), c.at("passed"), c.at("detail")});
    auto curves = std::make_shared<DeliveryCurves>();
    if (j.contains("short_term_lufs"))
        for (const auto& v : j.at("short_term_lufs")) curves->shortTerm.push_back(v.get<float>());
    if (j.contains("wave"))
        for (const auto& w : j.at("wave")) curves->wave.emplace_back(w.at(0).get<float>(), w.at(1).get<float>());
    r.curves = std::move(curves);
    return r;
}

}  // namespace rivlen
