#include "core/treatment/Treatment.h"

#include <algorithm>
#include <cmath>
#include <cstdio>

#include "core/audio/Error.h"

namespace rivlen {

const std::vector<TreatmentEntry>& treatmentTable() {
    static const std::vector<TreatmentEntry> table{
        {"dc-offset", "DC offset", "%", 0, 100, 100, 1, "Centres the waveform. Nothing else changes.", makeOffset},
        {"polarity", "Polarity", "%", 0, 100, 100, 100, "Turns the right channel over, so that both work together.", makePolarity},
        {"de-clip", "De-clip", "%", 0, 100, 100, 1, "Rebuilds peaks that were cut flat. Peaks rise above full scale where they belong there: leave headroom.", makeDeclip},
        {"de-click", "De-click", "%", 0, 100, 50, 1, "Replaces ticks by what belongs there. Too much takes the edge off consonants and plucked strings.", makeDeclick},
        {"de-hum", "De-hum", "%", 0, 100, 100, 1, "Takes out the mains tone and its harmonics, as they drift. Too much rings on low voices.", makeDehum},
        {"de-rumble", "De-rumble", "Hz", 20, 200, 80, 1, "Takes out what lies below. Too high, and the voice grows thin.", makeDerumble},
        {"de-hiss", "De-hiss", "dB", 0, 30, 9, 0.5, "Lowers steady noise, learned from the pauses. Too much sounds under water and hard to understand.", makeDehiss},
        {"de-ess", "De-ess", "dB", 0, 12, 2, 0.5, "Lowers sharp s between 6 and 10 kHz, at most by this. Too much lisps.", makeDeess},
    };
    return table;
}

const TreatmentEntry& findTreatment(const std::string& id) {
    std::string known;
    for (const auto& t : treatmentTable()) {
        if (id == t.id) return t;
        known += (known.empty() ? "" : ", ") + std::string(t.id);
    }
    throw Error(Error::Kind::Usage, "There is no treatment \"" + id + "\": choose of " + known + ".");
}

namespace {
double checked(const TreatmentEntry& t, double amount) {
    if (std::isfinite(amount) && amount >= t.minimum && amount <= t.maximum) return amount;
    char text[120];
    std::snprintf(text, sizeof text, "%g is not an amount for %s: give %g to %g %s.", amount, t.id, t.minimum, t.maximum, t.unit);
    throw Error(Error::Kind::Usage, text);
}
}  // namespace

std::vector<Treatment> proposed(const std::vector<Finding>& findings) {
    std::vector<Treatment> all;
    for (const auto& t : treatmentTable()) {
        std::optional<double> amount;
        for (const auto& f : findings)
            if (std::string(entryOf(f.kind).treatment) == t.id) amount = std::max(amount.value_or(t.minimum), std::clamp(f.amount, t.minimum, t.maximum));
        if (amount) all.push_back({t.id, true, *amount});
    }
    return all;
}

std::vector<Treatment> parseTreatments(const std::string& text) {
    std::vector<Treatment> all;
    for (size_t at = 0; at < text.size();) {
        const size_t end = std::min(text.find(',', at), text.size());
        const std::string one = text.substr(at, end - at);
        const size_t equals = one.find('=');
        const TreatmentEntry& t = findTreatment(one.substr(0, equals));
        double amount = t.usual;
        if (equals != std::string::npos) {
            char* rest = nullptr;
            amount = std::strtod(one.c_str() + equals + 1, &rest);
            if (rest == one.c_str() + equals + 1 || *rest) throw Error(Error::Kind::Usage, "\"" + one.substr(equals + 1) + "\" is not an amount for " + t.id + ": give a number.");
        }
        all.push_back({t.id, true, checked(t, amount)});
        at = end + 1;
    }
    return all;
}

nlohmann::json toJson(const std::vector<Treatment>& treatments) {
    nlohmann::json json = nlohmann::json::array();
    for (const auto& t : treatments) json.push_back({{"id", t.id}, {"on", t.on}, {"amount", t.amount}});
    return json;
}

std::vector<Treatment> treatmentsFromJson(const nlohmann::json& json) {
    std::vector<Treatment> all;
    try {
        for (const auto& j : json) all.push_back({findTreatment(j.at("id").get<std::string>()).id, j.value("on", true), checked(findTreatment(j.at("id").get<std::string>()), j.at("amount").get<double>())});
    } catch (const std::exception& e) {
        throw Error(Error::Kind::InputUnreadable, std::string("The treatments cannot be read: ") + e.what());
    }
    return all;
}

RepairChain::RepairChain(const std::vector<Treatment>& treatments, const RepairFacts& facts) : m_channels(facts.channels) {
    for (const auto& t : treatments)
        if (t.on) m_stages.push_back({t.id, findTreatment(t.id).make(t.amount, facts), AudioQueue(facts.channels)});
}

void RepairChain::Stage::measure(const AudioBuffer& out) {
    if (out.frames() == 0) return;
    const AudioBuffer was = in.take(out.frames());
    for (size_t i = 0; i < out.samples().size(); ++i) {
        const double d = double(out.samples()[i]) - was.samples()[i];
        removed += d * d;
    }
    samples += int64_t(out.samples().size());
}

AudioBuffer RepairChain::process(const AudioBuffer& block) {
    AudioBuffer x = block;
    for (auto& s : m_stages) {
        s.in.append(x);
        x = s.repair->process(x);
        s.measure(x);
    }
    return x;
}

AudioBuffer RepairChain::finish() {
    AudioBuffer rest(m_channels, 0);
    for (auto& s : m_stages) {
        s.in.append(rest);
        AudioBuffer out = rest.frames() > 0 ? s.repair->process(rest) : AudioBuffer(m_channels, 0);
        out.append(s.repair->finish());
        s.measure(out);
        rest = std::move(out);
    }
    return rest;
}

std::vector<RepairChain::Effect> RepairChain::effects() const {
    std::vector<Effect> all;
    for (const auto& s : m_stages) all.push_back({s.id, 10 * std::log10(s.removed / double(std::max<int64_t>(1, s.samples)) + 1e-20)});
    return all;
}

}  // namespace rivlen
