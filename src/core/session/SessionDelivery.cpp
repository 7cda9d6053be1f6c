#include "core/session/SessionDelivery.h"

#include <set>

#include "core/audio/Error.h"
#include "core/media/MediaReader.h"

namespace rivlen {

namespace fs = std::filesystem;

namespace {

/// The reel's rebuild, or the plain one that it begins with.
Shared<Rebuild> rebuildOf(const Reel& reel, double seconds) { return reel.rebuild->empty() ? Shared<Rebuild>(plainRebuild(seconds, false)) : reel.rebuild; }

bool usesStems(const Rebuild& r) {
    for (const auto& l : r.lanes)
        for (const auto& c : l->clips)
            if (c.material != "source" && !r.sound(c.material)) return true;
    return r.empty();
}

StrengthCourse courseFor(const Reel& reel, const Deliverable& d) {
    if (d.candidate.empty()) return reel.course();
    const size_t place = size_t(d.candidate[0] - 'A');
    if (d.candidate.size() != 1 || place >= reel.candidates.size() || !reel.candidates[place])
        throw Error(Error::Kind::Usage, "The deliverable \"" + d.name + "\" asks for candidate " + d.candidate + " of " + reel.name + ", which was not kept: keep it at Weigh, or take the candidate out.");
    Reel other = reel;
    other.setIsolation(reel.candidates[place]->settings);
    return other.course();
}

}  // namespace

ReelRecipe recipeOf(const Reel& reel) { return {reel.name, reel.source, reel.network, reel.quality, reel.treatments, reel.course(), reel.rebuild->retouches, usesStems(*reel.rebuild)}; }

DeliverySource deliverySource(const Session& session, const Reel& reel, const Deliverable& d, ReelMaterial material) {
    DeliverySource source;
    source.session = session.name;
    source.reel = reel.name;
    source.rebuild = rebuildOf(reel, double(material.frames) / material.sampleRate);
    source.channels = material.channels == 6 ? 6 : material.channels == 1 && source.rebuild->sounds.empty() ? 1 : 2;
    source.timecode = MediaReader(reel.source).info().timecodeSeconds;
    material.course = courseFor(reel, d);
    source.materials = std::make_shared<Materials>(std::move(material), true);
    return source;
}

void checkNames(const Session& session, const std::vector<const Reel*>& reels, const std::vector<Deliverable>& deliverables, const fs::path& folder, bool overwrite) {
    std::set<std::string> names;
    for (const Reel* reel : reels)
        for (const Deliverable& d : deliverables) {
            const std::string name = deliveryFileName(d, session.name, reel->name);
            if (!names.insert(name).second) throw Error(Error::Kind::Usage, "Two deliverables would both be called \"" + name + "\": put {reel} and {name} into their names.");
            if (!overwrite && fs::exists(folder / name)) throw Error(Error::Kind::OutputUnwritable, "\"" + (folder / name).string() + "\" is already there: choose another folder or name, or allow overwriting.");
        }
}

}  // namespace rivlen
