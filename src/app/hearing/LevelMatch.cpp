#include "app/hearing/LevelMatch.h"

#include <algorithm>
#include <cmath>

#include "app/words/Say.h"
#include "core/audio/Decibel.h"
#include "core/isolation/Isolator.h"
#include "core/loudness/Loudness.h"
#include "core/media/MediaReader.h"

namespace rivlen {

namespace {

constexpr double kMatchSeconds = 30;  // how much around the playhead is measured
constexpr double kMostDb = 12;

/// Silence is not amplified: a stem that is hardly there stays hardly there.
double gainDb(double source, double own) {
    return std::isfinite(own) && own > -60 && std::isfinite(source) ? std::clamp(source - own, -kMostDb, kMostDb) : 0.0;
}

std::vector<LoudnessMeter> meters(size_t count, int channels, int rate) {
    std::vector<LoudnessMeter> all;
    for (size_t i = 0; i < count; ++i) all.emplace_back(channels, rate, LoudnessMeter::Detail::LoudnessAndPeak);
    return all;
}

}  // namespace

LevelMatch::LevelMatch(Player& player, const Document& document, const Reels& reels, Work& work, QObject* parent)
    : QObject(parent), m_player(player), m_document(document), m_reels(reels), m_work(work) {
    m_wait.setSingleShot(true);
    m_wait.setInterval(250);
    connect(&m_wait, &QTimer::timeout, this, &LevelMatch::measure);
    connect(&document, &Document::voided, this, [this] { m_levels.clear(); });
    connect(&reels, &Reels::stemsReplaced, this, [this](const std::string& id) {
        m_levels.erase(id);
        soon();
    });
    connect(&reels, &Reels::informed, this, [this](const std::string& id) {
        if (isCurrent(id)) soon();
    });
}

void LevelMatch::set(bool on) {
    m_on = on;
    measure();
    emit changed();
}

const LevelMatch::Levels& LevelMatch::current() const {
    static const Levels nothing;
    const auto found = m_document.reel() ? m_levels.find(m_document.reel()->id) : m_levels.end();
    return found == m_levels.end() ? nothing : found->second;
}

void LevelMatch::follow(const StrengthTimeline& timeline) {
    if (!m_on || m_held || loudness().empty()) return;
    Levels& levels = m_levels[m_document.reel()->id];
    const auto known = std::find_if(levels.timelines.begin(), levels.timelines.end(),
                                    [&](const auto& m) { return m.first == timeline; });
    if (known == levels.timelines.end()) return;  // measured in a moment; the gains before are nearer than none
    std::tie(levels.loudness[int(Heard::Result)], levels.loudness[int(Heard::Leftovers)]) = known->second;
    const double source = levels.loudness.at(int(Heard::Source));
    for (int h = 1; h < kHeardCount; ++h)
        m_player.setMatchGain(Heard(h), float(fromDb(gainDb(source, levels.loudness.at(h)))));
}

std::pair<int64_t, int64_t> LevelMatch::span(const Reel& reel, int rate, int64_t end) const {
    int64_t from = std::max<int64_t>(0, m_player.position() - int64_t(kMatchSeconds / 3 * rate));
    int64_t to = from + int64_t(kMatchSeconds * rate);
    if (reel.loop) {
        from = std::llround(reel.loop->first * rate);
        to = std::min<int64_t>(std::llround(reel.loop->second * rate), from + int64_t(kMatchSeconds * rate));
    }
    return {from, std::min(to, end)};
}

void LevelMatch::measure() {
    const Reel* reel = m_document.reel();
    const ReelFacts* facts = m_reels.current();
    if (!m_on || !facts || !facts->stems)
        for (int h = 0; h < kHeardCount; ++h) m_player.setMatchGain(Heard(h), 1.0f);
    if (!m_on || !reel || !facts->info) return;
    if (facts->stems) measureStems(*reel, *facts);
    else measureRecorded(*reel, *facts);
}

void LevelMatch::measureStems(const Reel& reel, const ReelFacts& facts) {
    const int rate = facts.info->sampleRate;
    const auto [from, to] = span(reel, rate, facts.stems->available());
    if (to - from < rate / 2) return;
    Levels& before = m_levels[reel.id];
    if (before.span != std::pair(from, to)) before.timelines.clear();
    // Candidates that were measured here before need not be again when another setting moves.
    decltype(before.timelines) known;
    std::vector<StrengthTimeline> all;
    const auto need = [&](const StrengthTimeline& timeline) {
        const auto isIt = [&](const auto& m) { return m.first == timeline; };
        const auto found = std::find_if(before.timelines.begin(), before.timelines.end(), isIt);
        if (found != before.timelines.end() && std::none_of(known.begin(), known.end(), isIt)) known.push_back(*found);
        else if (found == before.timelines.end() && std::find(all.begin(), all.end(), timeline) == all.end())
            all.push_back(timeline);
    };
    need(reel.timeline());
    for (const auto& c : reel.candidates)
        if (c) need(timelineWith(reel, c->settings));
    m_work.submit(Work::Queue::Reading, say("Matching levels"),
                  [this, id = reel.id, source = m_reels.heardFile(reel), recorded = reel.source, store = facts.stems,
                   all, known, from = from, to = to](Progress& progress, const Work::Post& post) {
                      MediaReader reader(source), untreated(recorded);
                      auto stems = store->openAll(all.empty() ? "" : all[0].base.stem);
                      Isolator isolator(reader.channels(), reader.sampleRate());
                      isolator.keepFrames();
                      const int64_t margin = isolator.margin();
                      auto heard = meters(kHeardCount, reader.channels(), reader.sampleRate());
                      auto results = meters(all.size(), reader.channels(), reader.sampleRate());
                      auto leftovers = meters(all.size(), reader.channels(), reader.sampleRate());
                      for (int64_t at = from; at < to; at += reader.sampleRate()) {
                          progress.throwIfCancelled();
                          const int64_t count = std::min<int64_t>(reader.sampleRate(), to - at);
                          const StemBlock whole = stems.read(reader, at - margin, count + 2 * margin);
                          const AudioBuffer x = whole.source.slice(margin, count);
                          heard[size_t(Heard::Source)].add(x);
                          heard[size_t(Heard::Recorded)].add(source == recorded ? x : untreated.read(at, count));
                          for (size_t i = 0; i < all.size(); ++i) {
                              const std::string& stem = all[i].base.stem;
                              auto out = isolator.apply(all[i], int(stemPlace(stem)), at, whole);
                              const AudioBuffer& wanted = out.wanted(stem);
                              AudioBuffer rest = x;
                              for (size_t n = 0; n < rest.samples().size(); ++n)
                                  rest.samples()[n] -= wanted.samples()[n];
                              results[i].add(out.result);
                              leftovers[i].add(rest);
                          }
                          for (size_t s = 0; s < kStemCount; ++s)
                              heard[size_t(Heard::Dialogue) + s].add(whole.stems[s].slice(margin, count));
                      }
                      Levels levels{{}, known, {from, to}};
                      for (int h = 0; h < kHeardCount; ++h) levels.loudness[h] = heard[size_t(h)].integrated();
                      for (size_t i = 0; i < all.size(); ++i)
                          levels.timelines.push_back({all[i], {results[i].integrated(), leftovers[i].integrated()}});
                      post([this, id, levels = std::move(levels)] {
                          if (!isCurrent(id) || !m_on) return;
                          m_levels[id] = levels;
                          if (!m_waits) follow(m_document.reel()->timeline());
                          emit changed();
                      });
                  });
}

void LevelMatch::measureRecorded(const Reel& reel, const ReelFacts& facts) {
    const auto work = m_reels.heardFile(reel);
    if (work == reel.source) return;
    const int rate = facts.info->sampleRate;
    const int64_t from = std::max<int64_t>(0, m_player.position() - int64_t(kMatchSeconds / 3 * rate)),
                  to = std::min<int64_t>(facts.info->frames, from + int64_t(kMatchSeconds * rate));
    const auto gain = std::make_shared<double>(0.0);
    m_work.submit(
        Work::Queue::Reading, say("Matching levels"),
        [work, recorded = reel.source, from, to, rate, gain](Progress& progress, const Work::Post&) {
            double lufs[2];
            for (int i = 0; i < 2; ++i) {
                MediaReader reader(i ? recorded : work);
                LoudnessMeter meter(reader.channels(), rate, LoudnessMeter::Detail::LoudnessAndPeak);
                for (int64_t at = from; at < to; at += rate) {
                    progress.throwIfCancelled();
                    meter.add(reader.read(at, std::min<int64_t>(rate, to - at)));
                }
                lufs[i] = meter.integrated();
            }
            *gain = gainDb(lufs[0], lufs[1]);
        },
        [this, id = reel.id, gain](const JobQueue::Outcome& o) {
            if (o.done && m_on && isCurrent(id) && !m_reels.of(id).stems)
                m_player.setMatchGain(Heard::Recorded, float(fromDb(*gain)));
        });
}

}  // namespace rivlen
