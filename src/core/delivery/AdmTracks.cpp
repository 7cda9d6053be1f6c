#include "core/delivery/AdmTracks.h"

#include <algorithm>
#include <cmath>
#include <set>

#include "core/rebuild/LanePlacer.h"

namespace rivlen {

namespace {

constexpr double kStep = 0.05;  // seconds between places of what moves

bool isPlaced(const Strip& strip) {
    if (!(static_cast<const Position&>(strip) == Position())) return true;
    return std::any_of(placeParameters().begin(), placeParameters().end(), [&](const auto& p) {
        const auto curve = strip.automation.find(p.id);
        return curve != strip.automation.end() && !curve->second.empty();
    });
}

/// Lanes that are objects, from the top.
std::vector<const Lane*> objectsOf(const Rebuild& rebuild, const std::set<std::string>& lanes) {
    std::vector<const Lane*> all;
    for (const auto& lane : rebuild.lanes) {
        const Group* group = rebuild.group(lane->group);
        if (rebuild.format != MixFormat::Reel && lanes.count(lane->id) && isPlaced(lane->strip) &&
            !(group && group->strip.chain.any()))
            all.push_back(&*lane);
    }
    return all;
}

bool isPoint(const Strip& strip) { return strip.width == 0 && !strip.automation.count("width"); }

}  // namespace

std::vector<std::vector<AdmPlace>> wayOf(const Strip& strip, int channels, double from, double to) {
    std::set<double> times{from};
    for (const auto& [id, curve] : strip.automation) {
        const bool place = id == "width" || std::any_of(placeParameters().begin(), placeParameters().end(),
                                                        [&, &id = id](const auto& p) { return id == p.id; });
        for (size_t i = 0; place && i < curve.size(); ++i) {
            if (curve[i].first > from && curve[i].first < to) times.insert(curve[i].first);
            if (i == 0 || curve[i].second == curve[i - 1].second) continue;
            const double a = std::max(from, curve[i - 1].first), b = std::min(to, curve[i].first);
            for (double t = a; t < b; t += kStep) times.insert(t);
        }
    }
    const auto& own = speakersOfChannels(channels);
    std::vector<std::vector<AdmPlace>> ways(static_cast<size_t>(channels));
    for (const double t : times) {
        const Placer::Where where = placeAt(strip, t);
        for (int c = 0; c < channels; ++c) {
            const Speaker& s = own[size_t(c)];
            const double aside = channels == 2 ? s.at.azimuth * where.width / 100 : s.at.azimuth;
            const Direction at =
                directionOf(turned(unitVector({aside, s.at.elevation}), where.place.azimuth, where.place.elevation));
            auto& way = ways[size_t(c)];
            const AdmPlace place{t - from, at, where.place.spread, where.place.divergence};
            const auto still = [&](const AdmPlace& p) {
                return p.at.azimuth == at.azimuth && p.at.elevation == at.elevation && p.spread == place.spread &&
                       p.divergence == place.divergence;
            };
            // Of places that stay the first and the last are enough.
            if (way.size() > 1 && still(way.back()) && still(way[way.size() - 2])) way.back() = place;
            else way.push_back(place);
        }
    }
    for (auto& way : ways)
        if (way.size() == 2 && way[0].at.azimuth == way[1].at.azimuth && way[0].at.elevation == way[1].at.elevation &&
            way[0].spread == way[1].spread && way[0].divergence == way[1].divergence)
            way.pop_back();
    return ways;
}

AdmTracks::AdmTracks(const DeliverySource& source, const RenderGraph::Options& options, int64_t first, int64_t count,
                     int sampleRate, int64_t frames, const ScratchFolder& work, const Progress& progress)
    : m_frames(frames) {
    const auto objects = objectsOf(*source.rebuild, options.lanes);
    RenderGraph::Options bed = options;
    for (const Lane* lane : objects) bed.lanes.erase(lane->id);
    const double parts = double(objects.size()) + (bed.lanes.empty() ? 0 : 1);
    double done = 0;
    const auto render = [&](const RenderGraph::Options& some, const std::string& name) {
        const auto file = work / name;
        renderDelivery(source, some, first, count, sampleRate, ChannelLayout::Own, frames, file, {},
                       Progress(progress, done / parts, (done + 1) / parts));
        ++done;
        m_parts.push_back({std::make_unique<MediaReader>(file), false});
    };
    m_scene.programme = source.reel;
    m_scene.bed = source.rebuild->format;
    m_scene.sampleRate = sampleRate;
    m_scene.seconds = double(frames) / sampleRate;
    if (!bed.lanes.empty()) {
        render(bed, "bed.wav");
        m_scene.bedChannels = m_parts[0].reader->channels();
    }
    const double own = source.materials->reel().sampleRate, from = double(first) / own;
    for (const Lane* lane : objects) {
        RenderGraph::Options alone = options;
        alone.lanes = {lane->id};
        alone.unplaced = true;
        render(alone, "object-" + std::to_string(m_parts.size()) + ".wav");
        m_parts.back().joined = isPoint(lane->strip);
        auto ways = wayOf(lane->strip, source.channels, from, from + double(count) / own);
        if (m_parts.back().joined) ways.resize(1);
        m_scene.objects.push_back({lane->name, std::move(ways)});
    }
}

AudioBuffer AdmTracks::read(int64_t first, int64_t count) {
    AudioBuffer out(m_scene.tracks(), count);
    int at = 0;
    for (auto& part : m_parts) {
        const AudioBuffer x = part.reader->read(first, count);
        for (int c = 0; c < x.channels(); ++c) {
            auto to = out.channel(part.joined ? at : at + c);
            const auto row = x.channel(c);
            for (size_t i = 0; i < row.size(); ++i) to[i] += row[i];
        }
        at += part.joined ? 1 : x.channels();
    }
    return out;
}

}  // namespace rivlen
