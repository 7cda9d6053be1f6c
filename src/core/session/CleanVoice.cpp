#include "core/session/CleanVoice.h"

#include <algorithm>

#include "core/base/Error.h"
#include "core/isolation/Weighable.h"
#include "core/media/MediaReader.h"
#include "core/session/Presets.h"
#include "core/session/SessionDelivery.h"

namespace rivlen {

namespace {

constexpr double kWhole = 120, kSpan = 40;  // seconds
constexpr size_t kSpans = 3;

/// First frames of the spans with the most voice, none of which overlap, in order of time; one at 0 for a short reel.
std::vector<int64_t> spansOfVoice(const ReelMaterial& material, int dialogue) {
    const int64_t length = int64_t(kSpan * material.sampleRate);
    if (double(material.frames) <= kWhole * material.sampleRate) return {0};
    std::vector<std::pair<float, int64_t>> all;
    for (int64_t at = 0; at + length <= material.frames; at += length / 4)
        all.push_back({material.stems->levels().meanSquare(dialogue, at, at + length), at});
    std::sort(all.begin(), all.end(), [](const auto& a, const auto& b) { return a.first > b.first; });
    std::vector<int64_t> chosen;
    for (const auto& [level, at] : all) {
        const bool apart = std::all_of(chosen.begin(), chosen.end(),
                                       [&, at = at](int64_t other) { return std::abs(other - at) >= length; });
        if (apart && chosen.size() < kSpans) chosen.push_back(at);
    }
    std::sort(chosen.begin(), chosen.end());
    return chosen;
}

struct Weighed {
    IsolationSettings settings;
    Weighing now;
    std::string reason;
};

/// A span at the purpose's strength or at the suggested one; nothing where it cannot be weighed.
std::optional<Weighed> weighSpan(const ReelMaterial& material, int dialogue, int64_t first, int64_t count,
                                 IsolationSettings settings, const VoicePurpose* purpose, const Progress& progress) {
    const auto source = material.source();
    if (!hindranceToWeighing(*source, first, count).empty()) return std::nullopt;
    StemReaders stems = material.stems->openAll();
    const SpanCells cells = readSpanCells(*source, stems, StrengthTimeline(settings), dialogue, first, count);
    Weigher weigher(cells);
    Weighed out{settings, {}, {}};
    if (purpose) {
        out.reason = "The strength of \"" + std::string(purpose->preset) + "\".";
        progress.throwIfCancelled();
    } else {
        const TradeOff curve = tradeOff(settings, weigher, progress);
        out.settings.depth = curve.curve[size_t(curve.knee)].depth;
        out.settings.firmness = curve.curve[size_t(curve.knee)].firmness;
        out.reason = curve.reason;
    }
    out.now = weigher.weigh(StrengthTimeline(out.settings));
    return out;
}

/// The recording's own kind of file, or one that takes every codec of a picture.
Storage pictureStorage(const std::filesystem::path& file) {
    std::string suffix = file.extension().string();
    std::transform(suffix.begin(), suffix.end(), suffix.begin(), [](unsigned char c) { return char(std::tolower(c)); });
    return suffix == ".mp4" || suffix == ".m4v" ? Storage::Mp4 : suffix == ".mov" ? Storage::Mov : Storage::Mkv;
}

}  // namespace

const std::vector<VoicePurpose>& voicePurposes() {
    static const std::vector<VoicePurpose> all = {{"natural", "Natural playback", "Heard alone"},
                                                  {"under-music", "Under music", "Under new music"},
                                                  {"keep-room", "Keep the room", "The room stays"}};
    return all;
}

const VoicePurpose& findVoicePurpose(const std::string& id) {
    std::string known;
    for (const auto& p : voicePurposes()) {
        if (p.id == id) return p;
        known += (known.empty() ? "" : ", ") + std::string(p.id);
    }
    throw Error(Error::Kind::Usage, "A clean voice is not made for \"" + id + "\": choose one of " + known + ".");
}

std::vector<Treatment> sureTreatments(const Reel& reel, const Diagnosis& diagnosis) {
    std::vector<Finding> sure;
    for (const Finding& f : diagnosis.findings)
        if (f.confidence >= kSureEnough && !reel.isDismissed(f)) sure.push_back(f);
    const bool music = !reel.content.empty() && reel.content == contentName(Content::Music);
    return proposed(sure, music ? Content::Music : diagnosis.content);
}

CleanVoice cleanVoice(Reel reel, const std::string& purposeId, const Progress& progress,
                      std::optional<Diagnosis> known) {
    const VoicePurpose* purpose = purposeId.empty() ? nullptr : &findVoicePurpose(purposeId);
    CleanVoice out;
    if (known) {
        out.diagnosis = std::move(*known);
    } else {
        MediaReader reader(reel.source);
        out.diagnosis = diagnose(reader, Progress(progress, 0, 0.08));
    }
    reel.treatments = withProposals(reel.treatments, sureTreatments(reel, out.diagnosis));
    reel.stem = "dialogue";
    reel.region = -1;
    IsolationSettings settings;
    if (purpose)
        for (const Preset& p : listPresets())
            if (p.shipped && p.name == purpose->preset) settings = p.settings;
    settings.stem = reel.stem;
    reel.timeline().base = settings;
    ReelRecipe recipe = recipeOf(reel);
    recipe.needsStems = true;  // for weighing, whatever the rebuild is made of
    recipe.findings = out.diagnosis.findings;
    out.material = prepareReel(recipe, Progress(progress, 0.08, 0.9));
    const int dialogue = std::max(0, out.material.stems->stemIndex(reel.stem));
    const auto spans = spansOfVoice(out.material, dialogue);
    std::vector<Weighed> weighed;
    for (size_t i = 0; i < spans.size(); ++i) {
        const int64_t count =
            spans.size() == 1 && spans[0] == 0 && double(out.material.frames) <= kWhole * out.material.sampleRate
                ? out.material.frames
                : int64_t(kSpan * out.material.sampleRate);
        if (auto w = weighSpan(out.material, dialogue, spans[i], count, settings, purpose,
                               Progress(progress, 0.9 + 0.1 * double(i) / double(spans.size()),
                                        0.9 + 0.1 * double(i + 1) / double(spans.size()))))
            weighed.push_back(std::move(*w));
    }
    if (weighed.empty())
        throw Error(Error::Kind::Usage,
                    "\"" + reel.source.string() +
                        "\" is silent or shorter than half a second: there is no voice to clean in it.");
    std::sort(weighed.begin(), weighed.end(), [](const Weighed& a, const Weighed& b) {
        return std::pair(a.settings.depth, a.settings.firmness) < std::pair(b.settings.depth, b.settings.firmness);
    });
    const Weighed& middle = weighed[(weighed.size() - 1) / 2];
    reel.timeline().base = middle.settings;
    out.material.timeline = reel.timeline();
    out.spillDb = middle.now.spillDb;
    out.damage = middle.now.damage;
    out.reason = middle.reason;
    out.reel = std::move(reel);
    progress.report(1);
    return out;
}

std::vector<Deliverable> voiceDeliverables(const MediaInfo& info, const std::optional<DeliverySet>& set) {
    std::vector<Deliverable> all;
    if (set) {
        for (const char* wanted : {"mix", "dialogue"}) {
            if (!all.empty()) break;
            for (const Deliverable& d : set->deliverables)
                if (d.holds == wanted) all.push_back(d);
        }
        if (all.empty())
            throw Error(Error::Kind::Usage, "The set \"" + set->name +
                                                "\" has neither a mix nor a dialogue that the voice could stand for: "
                                                "choose another set.");
        for (Deliverable& d : all)
            if (!info.picture && storageFacts(d.storage).picture) d.storage = Storage::Wav;
    } else {
        Deliverable d;
        d.name = "clean voice";
        d.loudness = -23.0;
        if (info.picture) {
            d.keepOriginal = true;
            d.tolerance = 0.7;  // what a lossy codec of sound may change
            d.storage = pictureStorage(info.file);
            d.name = std::string("clean picture, ") + storageFacts(d.storage).id;
        }
        all.push_back(d);
    }
    for (Deliverable& d : all) {
        d.holds = "dialogue";
        d.candidate.clear();
        d.span.reset();
        d.on = true;
        d.fileName = all.size() == 1 ? "{reel}.clean" : "{reel}.clean.{name}";
    }
    return all;
}

}  // namespace rivlen
