#include "core/rebuild/RenderGraph.h"

#include <algorithm>
#include <cmath>

#include "core/audio/Decibel.h"
#include "core/rebuild/RenderNodes.h"
#include "core/rebuild/WorkPool.h"

namespace rivlen {

namespace {

int64_t lookAheadOf(const Duck& duck, int rate) { return std::llround(duck.lookAhead * rate / 1000); }

void storePeaks(MixMeters::Strip& meter, MixFormat format, const AudioBuffer& audio, const Chain::Reductions& r,
                float duck) {
    const auto raise = [](std::atomic<float>& to, float peak) {
        if (peak > to) to = peak;
    };
    raise(meter.loudest, peakOf(audio.samples()));
    const auto& speakers = speakersOf(format);
    for (size_t c = 0; c < speakers.size(); ++c) {  // what stands at the left, at the right, or in the middle: in both
        const float peak = peakOf(audio.channel(int(c)));
        if (speakers[c].at.azimuth >= 0) raise(meter.left, peak);
        if (speakers[c].at.azimuth <= 0) raise(meter.right, peak);
    }
    if (speakers.empty()) {
        const bool ambisonic = format != MixFormat::Reel;
        raise(meter.left, peakOf(audio.channel(0)));
        raise(meter.right, peakOf(audio.channel(audio.channels() > 1 && !ambisonic ? 1 : 0)));
    }
    meter.gate = r.gate, meter.deEsser = r.deEsser, meter.compressor = r.compressor, meter.limiter = r.limiter,
    meter.duck = duck;
}

}  // namespace

MixMeters::Strip* MixMeters::of(const std::string& id) {
    for (size_t i = 0; i < ids.size(); ++i)
        if (ids[i] == id) return &strips[i];
    return nullptr;
}

struct RenderGraph::Impl {
    Shared<Rebuild> rebuild;
    std::shared_ptr<Materials> materials;
    Options options;
    MixFormat format;
    int outputs;
    int rate;
    std::vector<std::unique_ptr<LaneNode>> lanes;
    std::vector<std::unique_ptr<Node>> groups;
    std::unique_ptr<Node> mix;
    std::vector<std::vector<size_t>> order;  ///< lanes that may be computed side by side, keys first
    std::shared_ptr<MixMeters> meters;
    WorkPool pool;
    Tap tap;
    int64_t sum = 0;     ///< up to where the lanes have been summed
    int64_t wanted = 0;  ///< next frame of the answer

    Impl(Shared<Rebuild> r, std::shared_ptr<Materials> m, Options o)
        : rebuild(std::move(r)),
          materials(std::move(m)),
          options(o),
          format(o.unplaced ? MixFormat::Reel : rebuild->format),
          outputs(format == MixFormat::Reel ? o.channels : mixFormatFacts(format).channels),
          rate(materials->reel().sampleRate),
          pool(o.threads) {
        const auto impulsesOf = [this](int channels) -> Chain::Impulses {
            return [this, channels](const ChainSettings& c) { return impulse(c, channels); };
        };
        const bool own = rebuild->format != MixFormat::Reel;
        for (size_t i = 0; i < rebuild->lanes.size(); ++i)
            lanes.push_back(std::make_unique<LaneNode>(materials, own, format, options.channels, outputs, rate,
                                                       impulsesOf(options.channels),
                                                       rebuild->lanes[i]->strip.chain.effects));
        for (size_t i = 0; i < rebuild->groups.size(); ++i)
            groups.push_back(std::make_unique<Node>(outputs, outputs, rate, own, impulsesOf(outputs),
                                                    rebuild->groups[i].strip.chain.effects));
        mix = std::make_unique<Node>(outputs, outputs, rate, own, impulsesOf(outputs), mixChain(*rebuild).effects);
        std::vector<std::string> ids;
        for (const auto& l : rebuild->lanes) ids.push_back(l->id);
        for (const auto& g : rebuild->groups) ids.push_back(g.id);
        ids.push_back("mix");
        meters = std::make_shared<MixMeters>(ids);
        connect();
        takeOver();
        seek(0, 0);
    }

    AudioBuffer impulse(const ChainSettings& c, int channels) const {
        if (const NamedRoom* room = rebuild->room(c.roomImpulse)) return roomImpulse(room->shape, channels, rate);
        try {
            if (const Sound* sound = rebuild->sound(c.roomImpulse))
                if (const auto source = materials->open(sound->id, *rebuild)) {
                    AudioBuffer all = source->read(0, std::min<int64_t>(source->frames(), 6 * rate));
                    double energy = 1e-20;
                    for (float v : all.samples()) energy += double(v) * v / all.channels();
                    for (float& v : all.samples()) v = float(v / std::sqrt(energy));
                    return all;
                }
        } catch (const Error&) {  // the file is gone: a plain room stands in
        }
        return {};
    }

    int laneIndex(const std::string& id) const {
        for (size_t i = 0; i < rebuild->lanes.size(); ++i)
            if (rebuild->lanes[i]->id == id) return int(i);
        return kNoNode;
    }

    void connect() {
        for (size_t i = 0; i < lanes.size(); ++i) {
            const Lane& lane = *rebuild->lanes[i];
            LaneNode& node = *lanes[i];
            for (size_t g = 0; g < groups.size(); ++g)
                if (rebuild->groups[g].id == lane.group) node.group = int(g);
            if (options.duck && lane.duck.on && laneIndex(lane.duck.key) != int(i)) node.key = laneIndex(lane.duck.key);
            node.lookAhead = lookAheadOf(lane.duck, rate);
            node.heard = !options.chosenLanes || options.lanes.count(lane.id) > 0;
        }
        // Lanes that duck each other in a circle cannot run: the later one's ducking is left out.
        for (size_t i = 0; i < lanes.size(); ++i) {
            int at = int(i);
            for (size_t steps = 0; at != kNoNode && steps <= lanes.size(); ++steps) {
                at = lanes[size_t(at)]->key;
                if (at == int(i)) lanes[i]->key = at = kNoNode;
            }
        }
        for (size_t i = 0; i < lanes.size(); ++i)
            for (int at = lanes[i]->key; at != kNoNode; at = lanes[size_t(at)]->key) ++lanes[i]->depth;
        int deepest = 0;
        for (const auto& l : lanes) deepest = std::max(deepest, l->depth);
        order.resize(size_t(deepest + 1));
        for (size_t i = 0; i < lanes.size(); ++i) order[size_t(lanes[i]->depth)].push_back(i);
        for (auto& l : lanes) l->ahead = l->group == kNoNode ? 0 : groups[size_t(l->group)]->chain.latency();
        for (int d = deepest; d > 0; --d)
            for (size_t i : order[size_t(d)]) {
                LaneNode& key = *lanes[size_t(lanes[i]->key)];
                key.ahead = std::max(key.ahead, lanes[i]->ahead + lanes[i]->lookAhead + kBlock);
            }
    }

    ChainSettings mixChain(const Rebuild& of) const { return options.mixChain ? of.mix.chain : ChainSettings(); }

    /// The rebuild's settings into the nodes.
    void takeOver() {
        bool solo = false;
        for (const auto& l : rebuild->lanes) solo = solo || l->strip.solo;
        for (const auto& g : rebuild->groups) solo = solo || g.strip.solo;
        for (size_t i = 0; i < lanes.size(); ++i) {
            const Lane& lane = *rebuild->lanes[i];
            LaneNode& node = *lanes[i];
            const Strip* group = node.group == kNoNode ? nullptr : &rebuild->groups[size_t(node.group)].strip;
            node.reader.set(rebuild, rebuild->lanes[i]);
            node.chain.set(lane.strip.chain, lane.strip.automation);
            if (node.placer) node.placer->set(lane.strip);
            node.levels.set(lane.strip, !lane.strip.mute && (!solo || lane.strip.solo || (group && group->solo)));
            node.duck.set(lane.duck);
        }
        for (size_t g = 0; g < groups.size(); ++g) {
            const Strip& strip = rebuild->groups[g].strip;
            groups[g]->chain.set(strip.chain, strip.automation);
            groups[g]->levels.set(strip, !strip.mute);
        }
        mix->chain.set(mixChain(*rebuild), rebuild->mix.automation);
        mix->levels.set(options.mixChain ? rebuild->mix : Strip(), !options.mixChain || !rebuild->mix.mute);
    }

    bool fits(const Rebuild& other) const {
        if (other.format != rebuild->format || other.lanes.size() != lanes.size() ||
            other.groups.size() != groups.size())
            return false;
        for (size_t g = 0; g < groups.size(); ++g)
            if (other.groups[g].id != rebuild->groups[g].id || !goesOn(*groups[g], other.groups[g].strip.chain))
                return false;
        for (size_t i = 0; i < lanes.size(); ++i) {
            const Lane &a = *other.lanes[i], &b = *rebuild->lanes[i];
            if (a.id != b.id || a.group != b.group || a.duck.on != b.duck.on || a.duck.key != b.duck.key ||
                a.duck.lookAhead != b.duck.lookAhead || !goesOn(*lanes[i], a.strip.chain))
                return false;
        }
        return goesOn(*mix, mixChain(other));
    }

    static bool goesOn(const Node& node, const ChainSettings& chain) {
        return node.chain.accepts(chain) && !node.chain.moved();
    }

    int64_t chainDelay() const { return mix->chain.latency(); }

    void seek(int64_t frame, int64_t runIn) {
        // The chains need to be filled before the first frame counts; before frame 0 there is silence.
        int64_t slowest = 0;
        for (const auto& l : lanes)
            slowest = std::max(slowest, l->chain.latency() +
                                            (l->group == kNoNode ? 0 : groups[size_t(l->group)]->chain.latency()));
        const int64_t start = frame - std::max<int64_t>(runIn, slowest + 4 * chainDelay() + 2 * kBlock);
        for (auto& l : lanes) l->begin(start);
        for (auto& g : groups) g->begin(start);
        mix->begin(start);
        sum = start;
        wanted = frame;
    }

    void laneBlock(size_t i) {
        LaneNode& node = *lanes[i];
        AudioBuffer block(options.channels, kBlock);
        const int64_t first = node.produced;
        node.reader.read(first + node.chain.latency(), block);
        std::vector<float> direct;
        const Strip& strip = rebuild->lanes[i]->strip;
        if (node.placer && strip.chain.room) {
            direct.resize(size_t(kBlock));
            directGains(strip, first + node.chain.latency(), rate, direct);
        }
        node.chain.process(block, direct, first + node.chain.latency());
        node.duckDb.clear();
        if (node.key != kNoNode)
            node.duck.process(lanes[size_t(node.key)]->keyAt(first + node.lookAhead, kBlock), node.duckDb);
        node.levels.process(block, first, node.duckDb);
        if (node.placer) {
            node.unplaced.append(block);
            block = node.placer->process(block, first);
        }
        storePeaks(meters->strips[i], format, block, node.chain.reductions(),
                   node.duckDb.empty() ? 0.0f : node.duckDb.back());
        if (tap) tap(i, first, block, node.duckDb);
        node.push(block);
    }

    void add(AudioBuffer& to, const AudioBuffer& from) const {
        for (size_t i = 0; i < to.samples().size(); ++i) to.samples()[i] += from.samples()[i];
    }

    /// One more block of the sum.
    void step() {
        for (const auto& level : order)
            pool.run(level.size(), [&](size_t n) {
                LaneNode& node = *lanes[level[n]];
                while (node.produced < sum + node.ahead + kBlock) laneBlock(level[n]);
            });
        pool.run(groups.size(), [&](size_t g) {
            Node& node = *groups[g];
            while (node.produced < sum + kBlock) {
                AudioBuffer block(outputs, kBlock);
                for (const auto& l : lanes)
                    if (l->heard && l->group == int(g)) add(block, l->at(node.produced + node.chain.latency(), kBlock));
                node.chain.process(block, {}, node.produced + node.chain.latency());
                node.levels.process(block, node.produced, {});
                storePeaks(meters->strips[lanes.size() + g], format, block, node.chain.reductions(), 0);
                node.push(block);
            }
        });
        AudioBuffer block(outputs, kBlock);
        for (const auto& l : lanes)
            if (l->heard && l->group == kNoNode) add(block, l->at(sum, kBlock));
        for (const auto& g : groups) add(block, g->at(sum, kBlock));
        mix->chain.process(block, {}, sum);
        sum += kBlock;
        // What leaves the chain now belongs to an earlier time, by its delay.
        mix->levels.process(block, sum - kBlock - chainDelay(), {});
        storePeaks(meters->strips.back(), format, block, mix->chain.reductions(), 0);
        mix->push(block);
        for (auto& l : lanes) l->forget(sum);
        for (auto& g : groups) g->forget(sum);
    }

    AudioBuffer next(int64_t count) {
        // mix->out is counted in the sum's time: a frame of the answer lies a chain's delay later there.
        while (mix->produced < wanted + count + chainDelay()) step();
        AudioBuffer out = mix->at(wanted + chainDelay(), count);
        wanted += count;
        mix->forget(wanted + chainDelay());
        return out;
    }
};

RenderGraph::RenderGraph(Shared<Rebuild> rebuild, std::shared_ptr<Materials> materials, Options options)
    : m(std::make_unique<Impl>(std::move(rebuild), std::move(materials), options)) {}
RenderGraph::~RenderGraph() = default;

void RenderGraph::seek(int64_t frame, int64_t runIn) {
    Tap tap = m->tap;
    auto meters = m->meters;
    // Nothing of what was played before may be remembered; first the old one goes, so that its effects' processes are
    // there for the new one.
    const auto rebuild = m->rebuild;
    const auto materials = m->materials;
    const auto options = m->options;
    m.reset();
    m = std::make_unique<Impl>(rebuild, materials, options);
    m->tap = std::move(tap);
    m->meters = std::move(meters);
    m->seek(frame, runIn);
}

AudioBuffer RenderGraph::next(int64_t count) { return m->next(count); }
int RenderGraph::outputs() const { return m->outputs; }

bool RenderGraph::update(const Shared<Rebuild>& rebuild) {
    if (!m->fits(*rebuild)) return false;
    m->rebuild = rebuild;
    m->takeOver();
    return true;
}

std::shared_ptr<MixMeters> RenderGraph::meters() const { return m->meters; }

bool RenderGraph::failed() const {
    return std::any_of(m->lanes.begin(), m->lanes.end(), [](const auto& l) { return l->reader.failed(); });
}

std::vector<RenderGraph::Trouble> RenderGraph::troubles() const {
    std::vector<Trouble> all;
    const auto take = [&](const std::string& strip, const Node& node) {
        for (const auto& [slot, sentence] : node.chain.troubles()) all.push_back({strip, slot, sentence});
    };
    for (size_t i = 0; i < m->lanes.size(); ++i) take(m->rebuild->lanes[i]->id, *m->lanes[i]);
    for (size_t g = 0; g < m->groups.size(); ++g) take(m->rebuild->groups[g].id, *m->groups[g]);
    take("mix", *m->mix);
    return all;
}

void RenderGraph::setTap(Tap tap) { m->tap = std::move(tap); }

int64_t RenderGraph::latency() const {
    int64_t most = 0;
    for (const auto& l : m->lanes) most = std::max(most, l->ahead + l->chain.latency());
    return most + m->chainDelay();
}

void renderMix(const Shared<Rebuild>& rebuild, const std::shared_ptr<Materials>& materials,
               RenderGraph::Options options, int64_t first, int64_t count,
               const std::function<void(const AudioBuffer&)>& sink, const Progress& progress) {
    const int rate = materials->reel().sampleRate;
    RenderGraph graph(rebuild, materials, options);
    graph.seek(first, first == 0 ? 0 : 10 * rate);
    for (int64_t at = 0; at < count; at += rate) {
        progress.throwIfCancelled();
        sink(graph.next(std::min<int64_t>(rate, count - at)));
        progress.report(double(std::min<int64_t>(at + rate, count)) / double(count));
        if (const auto troubles = graph.troubles(); !troubles.empty())
            throw Error(Error::Kind::Other, troubles.front().sentence);
    }
    if (!graph.failed()) return;
    std::error_code ignored;
    for (const Sound& s : rebuild->sounds)
        if (!std::filesystem::exists(s.file, ignored))
            throw Error(Error::Kind::InputUnreadable,
                        "The sound \"" + s.file.string() +
                            "\" is not there any more: put it back, or import it again and take its clips out.");
    throw Error(Error::Kind::InputUnreadable,
                "What the lanes are made of could not be read to its end: check that the reel's file and its imported "
                "sounds are still there and whole.");
}

DrawnCurve duckCurve(const Rebuild& whole, const std::string& id, const std::shared_ptr<Materials>& materials,
                     int channels, const Progress& progress) {
    const Lane* lane = whole.lane(id);
    if (!lane || !lane->duck.on || !whole.lane(lane->duck.key)) return {};
    Rebuild part = whole;  // the lane without clips, and the lanes that key it
    std::vector<std::string> needed{id};
    for (const Lane* l = lane; l && l->duck.on && needed.size() <= whole.lanes.size(); l = whole.lane(l->duck.key))
        needed.push_back(l->duck.key);
    std::erase_if(part.lanes,
                  [&](const auto& l) { return std::find(needed.begin(), needed.end(), l->id) == needed.end(); });
    part.lane(id)->clips.clear();
    const int rate = materials->reel().sampleRate;
    const int64_t step = std::max(1, rate / 100),
                  frames = std::max(materials->reel().frames, int64_t(whole.end() * rate));
    DrawnCurve curve;
    RenderGraph graph(part, materials, {1, channels});
    graph.seek(0, 0);
    const auto index =
        size_t(std::find_if(part.lanes.begin(), part.lanes.end(), [&](const auto& l) { return l->id == id; }) -
               part.lanes.begin());
    graph.setTap([&](size_t i, int64_t first, const AudioBuffer&, const std::vector<float>& db) {
        if (i != index) return;
        for (size_t k = 0; k < db.size(); ++k)
            if (const int64_t t = first + int64_t(k); t >= 0 && t % step == 0 && t <= frames)
                curve.emplace_back(double(t) / rate, db[k]);
    });
    for (int64_t at = 0; at < frames; at += rate) {
        progress.throwIfCancelled();
        progress.report(double(at) / double(frames));
        graph.next(std::min<int64_t>(rate, frames - at));
    }
    return curve;
}

}  // namespace rivlen
