#include "core/treatment/Treatment.h"

#include <algorithm>
#include <cmath>
#include <cstdio>

#include "core/base/Error.h"
#include "core/base/JsonReason.h"
#include "core/base/Text.h"
#include "core/isolation/StemNames.h"

namespace rivlen {

const std::vector<TreatmentEntry>& treatmentTable() {
    static const std::vector<TreatmentEntry> table{
        {"dc-offset", "DC offset", "%", 0, 100, 100, 1, "Centres the waveform. Nothing else changes.", false,
         makeOffset},
        {"polarity", "Polarity", "%", 0, 100, 100, 100, "Turns the right channel over, so that both work together.",
         false, makePolarity},
        {"de-clip", "De-clip", "%", 0, 100, 100, 1,
         "Rebuilds peaks that were cut flat. Peaks rise above full scale where they belong there: leave headroom.",
         false, makeDeclip},
        {"de-click", "De-click", "%", 0, 100, 50, 1,
         "Replaces ticks by what belongs there. Too much takes the edge off consonants and plucked strings.", false,
         makeDeclick},
        {"de-hum", "De-hum", "%", 0, 100, 100, 1,
         "Takes out the mains tone and its harmonics, as they drift. Too much rings on low voices.", false, makeDehum},
        {"de-rumble", "De-rumble", "Hz", 20, 200, 80, 1,
         "Takes out what lies below. Too high, and the voice grows thin.", false, makeDerumble},
        {"de-plosive", "De-plosive", "dB", 0, 30, 18, 1,
         "Takes the thump out of p and b, below 120 Hz and only there. Too much leaves them without body.", true,
         makeDeplosive},
        {"de-wind", "De-wind", "dB", 0, 40, 24, 1,
         "Pushes gusts below 160 Hz down to where the voice covers them. Too much and the voice grows thin in every "
         "gust.",
         true, makeDewind},
        {"de-hiss", "De-hiss", "dB", 0, 30, 9, 0.5,
         "Lowers steady noise, learned from the pauses. Too much sounds under water and hard to understand.", false,
         makeDehiss},
        {"de-reverb", "De-reverb", "%", 0, 100, 70, 1,
         "Takes the room's answer out of the voice. Too much sounds dull, as through a cloth.", true, makeDereverb},
        {"de-ess", "De-ess", "dB", 0, 12, 2, 0.5,
         "Lowers sharp s between 6 and 10 kHz, at most by this. Too much lisps.", true, makeDeess},
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
    std::string text =
        formatted("%g is not an amount for %s: give %g to %g %s.", amount, t.id, t.minimum, t.maximum, t.unit);
    throw Error(Error::Kind::Usage, text);
}
}  // namespace

std::vector<Treatment> proposed(const std::vector<Finding>& findings, std::optional<Content> content) {
    std::vector<Treatment> all;
    for (const auto& t : treatmentTable()) {
        if (t.forVoice && content == Content::Music) continue;
        std::optional<double> amount;
        for (const auto& f : findings)
            if (std::string(entryOf(f.kind).treatment) == t.id)
                amount = std::max(amount.value_or(t.minimum), std::clamp(f.amount, t.minimum, t.maximum));
        if (amount) all.push_back({t.id, true, *amount});
    }
    return all;
}

std::vector<Treatment> withProposals(std::vector<Treatment> chain, const std::vector<Treatment>& others) {
    for (const Treatment& wanted : others) {
        const auto known =
            std::find_if(chain.begin(), chain.end(), [&](const Treatment& t) { return t.id == wanted.id; });
        if (known != chain.end()) {
            known->on = true;
            continue;
        }
        chain.insert(std::find_if(chain.begin(), chain.end(),
                                  [&](const Treatment& t) { return sensiblePlace(t.id) > sensiblePlace(wanted.id); }),
                     wanted);
    }
    return chain;
}

std::vector<Treatment> treatmentsAt(const std::vector<Treatment>& treatments, const std::string& place) {
    std::vector<Treatment> some;
    for (const auto& t : treatments)
        if (t.on && t.place == place) some.push_back(t);
    return some;
}

size_t sensiblePlace(const std::string& id) { return size_t(&findTreatment(id) - treatmentTable().data()); }

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
            if (rest == one.c_str() + equals + 1 || *rest)
                throw Error(Error::Kind::Usage,
                            "\"" + one.substr(equals + 1) + "\" is not an amount for " + t.id + ": give a number.");
        }
        if (std::any_of(all.begin(), all.end(), [&](const Treatment& other) { return other.id == t.id; }))
            throw Error(Error::Kind::Usage, std::string("The treatment ") + t.id + " is set twice: set it once.");
        all.push_back({t.id, true, checked(t, amount)});
        at = end + 1;
    }
    return all;
}

nlohmann::json toJson(const std::vector<Treatment>& treatments) {
    nlohmann::json json = nlohmann::json::array();
    for (const auto& t : treatments)
        json.push_back({{"id", t.id}, {"on", t.on}, {"amount", t.amount}, {"place", t.place}});
    return json;
}

std::vector<Treatment> treatmentsFromJson(const nlohmann::json& json) {
    std::vector<Treatment> all;
    try {
        for (const auto& j : json) {
            const TreatmentEntry& t = findTreatment(j.at("id").get<std::string>());
            all.push_back({t.id, j.value("on", true), checked(t, j.at("amount").get<double>()),
                           j.value("place", kRecordingPlace)});
            const std::string& place = all.back().place;
            if (place != kRecordingPlace && std::find(kStemNames.begin(), kStemNames.end(), place) == kStemNames.end())
                throw Error(Error::Kind::InputUnreadable,
                            "there is no place \"" + place + "\" where a treatment works.");
        }
    } catch (const nlohmann::json::exception& e) {
        throw Error(Error::Kind::InputUnreadable, "The treatments cannot be read: " + jsonReason(e) + ".");
    } catch (const Error& e) {
        throw Error(Error::Kind::InputUnreadable, std::string("The treatments cannot be read: ") + e.what());
    }
    return all;
}

TreatmentChain::TreatmentChain(const std::vector<Treatment>& treatments, const TreatmentFacts& facts)
    : m_channels(facts.channels) {
    for (const auto& t : treatments)
        if (t.on) m_stages.push_back({t.id, findTreatment(t.id).make(t.amount, facts), AudioQueue(facts.channels)});
}

void TreatmentChain::measure(size_t stage, const AudioBuffer& out) {
    if (out.frames() == 0) return;
    Stage& s = m_stages[stage];
    AudioBuffer removed = s.in.take(out.frames());
    for (size_t i = 0; i < out.samples().size(); ++i) {
        const float d = removed.samples()[i] -= out.samples()[i];
        s.removed += double(d) * d;
    }
    s.samples += int64_t(out.samples().size());
    if (onRemoved) onRemoved(stage, removed);
}

AudioBuffer TreatmentChain::process(const AudioBuffer& block) {
    AudioBuffer x = block;
    for (size_t i = 0; i < m_stages.size(); ++i) {
        m_stages[i].in.append(x);
        x = m_stages[i].treater->process(x);
        measure(i, x);
    }
    return x;
}

AudioBuffer TreatmentChain::finish() {
    AudioBuffer rest(m_channels, 0);
    for (size_t i = 0; i < m_stages.size(); ++i) {
        Stage& s = m_stages[i];
        s.in.append(rest);
        AudioBuffer out = rest.frames() > 0 ? s.treater->process(rest) : AudioBuffer(m_channels, 0);
        out.append(s.treater->finish());
        measure(i, out);
        rest = std::move(out);
    }
    return rest;
}

std::vector<TreatmentChain::Effect> TreatmentChain::effects() const {
    std::vector<Effect> all;
    for (const auto& s : m_stages)
        all.push_back({s.id, 10 * std::log10(s.removed / double(std::max<int64_t>(1, s.samples)) + 1e-20)});
    return all;
}

}  // namespace rivlen
