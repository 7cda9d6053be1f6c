#include "app/weigh/WeighDesk.h"

#include <algorithm>
#include <cmath>

#include "app/words/Say.h"
#include "core/isolation/Weighable.h"
#include "core/media/MediaReader.h"

namespace rivlen {

namespace {

constexpr double kWhole = 60, kPage = 30, kMostLoop = 120;  // seconds
constexpr double kBefore = 0.6, kAfter = 0.9;               // of context around a place

// What of a strength the cells depend on, as text.
std::string roomOf(const StrengthTimeline& timeline) {
    const auto only = [](const IsolationSettings& settings) {
        IsolationSettings s;
        s.roomKeep = settings.roomKeep;
        return s;
    };
    StrengthTimeline room = only(timeline.base);
    if (const auto drawn = timeline.drawn.find("room_keep"); drawn != timeline.drawn.end()) room.drawn.insert(*drawn);
    for (StrengthRegion region : timeline.regions) {
        region.name.clear();
        region.settings = only(region.settings);
        room.regions.push_back(region);
    }
    return toJson(room).dump();
}

}  // namespace

struct WeighDesk::Bench {
    std::string key;  ///< stems, span and what of the strength the cells depend on
    SpanCells cells;
    std::unique_ptr<Weigher> weigher;
    std::shared_ptr<const SpanSpectrum> spectrum;
    IsolationSettings curveOf;
    std::optional<TradeOff> curve;
};

WeighDesk::WeighDesk(Document& document, Reels& reels, Hearing& hearing, Work& work, QObject* parent)
    : QObject(parent),
      m_document(document),
      m_reels(reels),
      m_hearing(hearing),
      m_bench(std::make_shared<Bench>()),
      m_own(work, this) {
    m_wait.setSingleShot(true);
    m_wait.setInterval(60);
    connect(&m_wait, &QTimer::timeout, this, &WeighDesk::start);
    const auto soon = [this] {
        if (m_document.session().stage == stage::weigh) m_wait.start();
    };
    connect(&document, &Document::changed, this, soon);
    connect(&reels, &Reels::stemsChanged, this, soon);
    connect(&reels, &Reels::read, this, soon);
}

const WeighDesk::Result* WeighDesk::result() const {
    const Reel* reel = m_document.reel();
    const ReelFacts* state = m_reels.current();
    return !m_hearing.blind() && m_result && reel && m_result->reel == reel->id && state->stems ? &*m_result : nullptr;
}

std::pair<double, double> WeighDesk::span() const {
    const Reel* reel = m_document.reel();
    const ReelFacts* state = m_reels.current();
    if (!reel || !state->info || !state->stems || !state->stems->finished()) return {-1, -1};
    const double duration = state->info->duration();
    if (reel->loop) return {reel->loop->first, std::min({reel->loop->second, duration, reel->loop->first + kMostLoop})};
    if (const StrengthRegion* region = reel->workedRegion())
        return {region->from, std::min({region->to, duration, region->from + kMostLoop})};
    if (duration <= kWhole) return {0, duration};
    const double at = std::floor(double(m_hearing.player().position()) / state->info->sampleRate / kPage) * kPage;
    return {at, std::min(duration, at + kPage)};
}

void WeighDesk::tick() {
    if (m_document.session().stage == stage::weigh && !m_wait.isActive() && span() != m_begun) m_wait.start();
}

void WeighDesk::start() {
    const auto [from, to] = m_begun = span();
    const Reel* reel = m_document.reel();
    m_own.begin();
    if (to - from < 0.1) return emit changed();
    const IsolationSettings settings = reel->isolation();
    const StrengthTimeline timeline = reel->timeline();
    if (settings.firmness != m_chartFirmness) {
        m_baseFirmness = settings.firmness;
        m_chartFirmness.reset();
    }
    IsolationSettings base = settings;
    base.firmness = m_baseFirmness;
    base.depth = kFullDepth;
    const auto store = m_reels.current()->stems;
    const std::string key = store->folder().string() + "/" + std::to_string(store->version()) + "/" +
                            std::to_string(from) + "/" + std::to_string(to) + "/" + reel->stem + "/" + roomOf(timeline);
    m_own.submit(
        say("Weighing"),
        [this, bench = m_bench, key, store, source = m_reels.heardFile(*reel), id = reel->id, settings, timeline, base,
         from, to](Progress& progress, const Work::Post& post) {
            if (bench->key != key) {
                MediaReader reader(source);
                StemReaders stems = store->openAll(settings.stem);
                const int64_t first = std::llround(from * reader.sampleRate());
                bench->key.clear();
                bench->weigher.reset();
                bench->curve.reset();
                const int64_t count = std::llround(to * reader.sampleRate()) - first;
                const auto why = said(hindranceToWeighing(reader, first, count));
                post([this, why] {
                    m_hindrance = why;
                    if (!why.isEmpty()) m_result.reset();
                });
                if (!why.isEmpty()) return;
                bench->cells =
                    readSpanCells(reader, stems, timeline,
                                  std::max(0, store->stemIndex(kStemNames[stemPlace(settings.stem)])), first, count);
                bench->weigher = std::make_unique<Weigher>(bench->cells);
                bench->spectrum = std::make_shared<SpanSpectrum>(spanSpectrum(bench->cells));
                bench->key = key;
            }
            const auto give = [&](const Result& result) { post([this, result] { take(result); }); };
            progress.throwIfCancelled();
            Result result{id, from, to, settings, bench->weigher->weigh(timeline), {}, {}, bench->spectrum};
            result.places = worstPlaces(result.now);
            if (bench->curve && bench->curveOf == base) {
                result.curve = bench->curve;
                return give(result);
            }
            give(result);
            bench->curve.reset();
            bench->curve = tradeOff(base, *bench->weigher, progress);
            bench->curveOf = base;
            result.curve = bench->curve;
            give(result);
        },
        [this](const JobQueue::Outcome&) { emit changed(); });
    emit changed();
}

void WeighDesk::take(Result result) {
    if (m_result && m_result->from != result.from) m_place = -1;
    m_result = std::move(result);
    emit changed();
}

double WeighDesk::position() const {
    const Result* r = result();
    if (!r || !r->curve) return 0;
    const auto& s = m_document.reel()->isolation();
    const auto& curve = r->curve->curve;
    // Depth first, then firmness: the path's order.
    for (size_t i = 0; i + 1 < curve.size(); ++i) {
        const auto &a = curve[i], &b = curve[i + 1];
        if (b.depth > a.depth && s.depth <= b.depth && s.depth < kFullDepth)
            return double(i) + (s.depth - a.depth) / (b.depth - a.depth);
        if (b.firmness > a.firmness && s.firmness <= b.firmness)
            return double(i) + std::max(0.0, (s.firmness - a.firmness) / (b.firmness - a.firmness));
    }
    return double(curve.size() - 1);
}

void WeighDesk::moveTo(double position, bool dragging) {
    const Result* r = result();
    if (!r || !r->curve) return;
    const auto& curve = r->curve->curve;
    position = std::clamp(position, 0.0, double(curve.size() - 1));
    const size_t i = std::min(size_t(position), curve.size() - 2);
    const double f = position - double(i);
    double depth = curve[i].depth + f * (curve[i + 1].depth - curve[i].depth);
    depth = depth > 60 ? kFullDepth : std::round(depth * 2) / 2;
    const double firmness = std::round(curve[i].firmness + f * (curve[i + 1].firmness - curve[i].firmness));
    m_chartFirmness = firmness;
    m_document.editReel(
        say("Set strength"), [&](Reel& reel) { reel.isolation().depth = depth, reel.isolation().firmness = firmness; },
        dragging ? "trade-off" : "");
}

void WeighDesk::useSuggestion() {
    if (const Result* r = result(); r && r->curve) moveTo(r->curve->knee, false);
}

void WeighDesk::audition(int place) {
    const Result* r = result();
    if (!r || place < 0 || place >= int(r->places.size())) return;
    m_place = place;
    const double at = r->from + r->places[size_t(place)].seconds;
    const double from = std::max(0.0, at - kBefore), to = std::min(m_reels.current()->info->duration(), at + kAfter);
    m_hearing.audition(from, to);
    emit changed();
}

void WeighDesk::step(int direction) {
    const Result* r = result();
    if (!r || r->places.empty()) return;
    const int count = int(r->places.size());
    audition(m_place < 0 ? (direction > 0 ? 0 : count - 1) : (m_place + direction + count) % count);
}

}  // namespace rivlen
