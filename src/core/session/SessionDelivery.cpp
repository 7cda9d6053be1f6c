#include "core/session/SessionDelivery.h"

#include <algorithm>
#include <set>

#include "core/base/Error.h"
#include "core/exchange/HandOver.h"
#include "core/media/MediaReader.h"
#include "core/rebuild/PartLanes.h"
#include "core/separation/Parts.h"
#include "core/session/Presets.h"

namespace rivlen {

namespace fs = std::filesystem;

namespace {

/// The reel's rebuild, or the plain one that it begins with.
Shared<Rebuild> rebuildOf(const Reel& reel, double seconds) {
    return reel.rebuild->empty() ? Shared<Rebuild>(plainRebuild(seconds, false)) : reel.rebuild;
}

bool usesStems(const Rebuild& r) {
    for (const auto& l : r.lanes)
        for (const auto& c : l->clips)
            if (c.material != "source" && !r.sound(c.material)) return true;
    return r.empty();
}

StrengthTimeline courseFor(const Reel& reel, const Deliverable& d) {
    if (d.candidate.empty()) return reel.timeline();
    for (const auto& strength : deliveryStrengths())
        if (d.candidate == strength.id) {
            Reel other = reel;
            IsolationSettings settings;  // full depth, everything else plain
            if (d.candidate == "natural")
                for (const Preset& p : listPresets())
                    if (p.shipped && p.name == "Natural playback") settings = p.settings;
            StrengthTimeline& timeline = other.timeline();
            const std::string stem = timeline.base.stem;
            timeline = {};
            timeline.base = settings;
            timeline.base.stem = stem;
            return timeline;
        }
    const size_t place = size_t(d.candidate[0] - 'A');
    if (d.candidate.size() != 1 || place >= reel.candidates.size() || !reel.candidates[place])
        throw Error(Error::Kind::Usage, "The deliverable \"" + d.name + "\" asks for candidate " + d.candidate +
                                            " of " + reel.name +
                                            ", which was not kept: keep it at Weigh, or take the candidate out.");
    Reel other = reel;
    other.setIsolation(reel.candidates[place]->settings);
    return other.timeline();
}

}  // namespace

ReelRecipe recipeOf(const Reel& reel) {
    ReelRecipe recipe{reel.name,           reel.source,     reel.network,        reel.quality,
                      reel.treatments,     reel.timeline(), reel.rebuild->mends, usesStems(*reel.rebuild),
                      reel.tolerateDamage, reel.scene};
    for (const std::string& stem : stemsWithParts())
        if (std::find(reel.parts.begin(), reel.parts.end(), stem) != reel.parts.end() ||
            usesPartsOf(*reel.rebuild, stem) || stemOfPart(reel.stem) == stem ||
            (stem == "ambience" && keepsOfAmbience(recipe.timeline)))
            recipe.parts.push_back(stem);
    return recipe;
}

DeliverySource deliverySource(const Session& session, const Reel& reel, const Deliverable& d, ReelMaterial material) {
    DeliverySource source;
    source.session = session.name;
    source.reel = reel.name;
    source.rebuild = rebuildOf(reel, double(material.frames) / material.sampleRate);
    const DeliveryContent& content = deliveryContent(d.holds);
    if (!content.without.empty() || !content.only.empty()) {
        const std::string stem = stemOfPart(content.only.empty() ? content.without.front() : content.only);
        const bool apart = material.parts.count(stem) > 0;
        if (!apart && content.needsParts)
            throw Error(Error::Kind::Usage, "The deliverable \"" + d.name + "\" asks for a part of the " + stem +
                                                " of " + reel.name +
                                                ", which is not taken apart: do that at Split, or take the "
                                                "deliverable out.");
        if (apart) layInParts(source.rebuild.edit(), stem);
    }
    source.channels = laneChannels(material.channels, *source.rebuild);
    const MediaReader recording(reel.source);
    source.timecode = recording.info().timecodeSeconds;
    if (recording.info().picture) source.picture = reel.source;
    material.timeline = courseFor(reel, d);
    source.materials = std::make_shared<Materials>(std::move(material), true);
    return source;
}

std::vector<std::string> mixNamesOf(const Reel& reel) {
    const MixFormat format = reel.rebuild->format;
    return mixChannelNames(format, format == MixFormat::Reel ? 2 : mixFormatFacts(format).channels);
}

void checkNames(const Session& session, const std::vector<const Reel*>& reels,
                const std::vector<Deliverable>& deliverables, const fs::path& folder, bool overwrite) {
    std::set<std::string> names;
    for (const Reel* reel : reels)
        for (const Deliverable& d : deliverables)
            for (const std::string& name : deliveryFileNames(d, session.name, reel->name, mixNamesOf(*reel))) {
                if (!names.insert(name).second)
                    throw Error(Error::Kind::Usage, "Two deliverables would both be called \"" + name +
                                                        "\": put {reel} and {name} into their names.");
                if (!overwrite && fs::exists(folder / name))
                    throw Error(Error::Kind::OutputUnwritable,
                                "\"" + (folder / name).string() +
                                    "\" is already there: choose another folder or name, or allow overwriting.");
            }
}

fs::path handOverReel(const Session& session, const Reel& reel, const ReelMaterial& material, double handles,
                      const fs::path& folder, const Progress& progress) {
    const MediaInfo info = MediaReader(reel.source).info();
    std::vector<NamedSpan> spans;
    for (const auto& region : reel.timeline().regions)
        spans.push_back({"region", region.name.empty() ? "region" : region.name, "", region.from, region.to});
    if (reel.loop) spans.push_back({"loop", "loop", "", reel.loop->first, reel.loop->second});
    const DeliverySource source = deliverySource(session, reel, Deliverable(), material);
    return writeHandOver(source, spans, info.picture ? info.picture->rate : FrameRate(), info.dropFrame(), handles,
                         folder, progress);
}

}  // namespace rivlen
