#include "app/weigh/TrialDesk.h"

#include <cmath>

#include "app/weigh/CandidateDesk.h"
#include "app/weigh/TemporaryStore.h"
#include "app/weigh/TriedSound.h"
#include "app/words/Say.h"
#include "core/loudness/Loudness.h"
#include "core/media/MediaReader.h"
#include "core/separation/Network.h"
#include "core/session/ReelScenes.h"

namespace rivlen {

struct TrialDesk::Networks {
    std::map<std::string, std::shared_ptr<Network>> bySum;
    const std::shared_ptr<Network>& get(const NetworkCard& card) {
        auto& network = bySum[card.sum()];
        if (!network) network = loadNetwork(card);
        return network;
    }
};

namespace {

QString nameOf(const TrialChoice& choice, int candidate) {
    return said(choice.name) + (candidate < 0 ? QString() : ", " + CandidateDesk::letter(candidate));
}

}  // namespace

TrialDesk::TrialDesk(Document& document, Reels& reels, Splitting& splitting, Hearing& hearing, Work& work,
                     QObject* parent)
    : QObject(parent),
      m_document(document),
      m_reels(reels),
      m_splitting(splitting),
      m_hearing(hearing),
      m_work(work),
      m_networks(std::make_shared<Networks>()),
      m_own(work, this) {
    connect(&reels, &Reels::read, this, [this] {
        if (!m_reel.empty() && (!m_document.reel() || m_document.reel()->id != m_reel)) clear();
    });
    connect(&document, &Document::changed, this, [this] {
        // The controls take over again: what is edited is heard with the reel's own stems.
        if (m_heard >= 0 && !m_hearing.trying()) m_heard = -1;
        emit changed();
    });
    connect(&reels, &Reels::stemsChanged, this, &TrialDesk::changed);
}

QString TrialDesk::hindrance() const {
    const Reel* reel = m_document.reel();
    const ReelFacts* state = m_reels.current();
    if (!reel || !state->info || state->missing) return say("Add a recording at Intake first.");
    if (!stemOfPart(reel->stem).empty())
        return say("Trials are of stems: choose Dialogue, Music or Ambience at Weigh first.");
    if (!reel->loop) return say("Set a loop of up to 30 s: drag over the picture.");
    if (reel->loop->second - reel->loop->first > kLongest + 0.001)
        return say("The loop is longer than 30 s: make it shorter.");
    if (reel->loop->second - reel->loop->first < 0.5)
        return say("The loop is shorter than half a second: make it longer.");
    return {};
}

double TrialDesk::fraction() const {
    const auto all = m_own.status();
    return m_choices == 0 ? 0 : (m_done + (all.empty() ? 0 : all.front().fraction)) / m_choices;
}

void TrialDesk::start() {
    if (const QString why = hindrance(); !why.isEmpty()) return void(m_work.warn(why));
    clear();
    emit began();
    const Reel reel = *m_document.reel();
    m_reel = reel.id;
    m_span = *reel.loop;
    std::vector<StrengthTimeline> timelines{reel.timeline()};
    std::vector<int> whose{-1};
    for (int i = 0; i < kCandidates; ++i)
        if (reel.candidates[size_t(i)]) {
            const StrengthTimeline timeline = timelineWith(reel, reel.candidates[size_t(i)]->settings);
            if (timeline == timelines.front()) continue;
            timelines.push_back(timeline);
            whose.push_back(i);
        }
    const auto choices = trialChoices(scenesOf(m_document.session()));
    m_choices = int(choices.size());
    m_done = 0;
    for (const TrialChoice& choice : choices)
        m_own.submit(
            say("Trying ") + said(choice.name),
            [this, choice, timelines, whose, source = m_reels.splitFile(reel), span = m_span,
             networks = m_networks](Progress& progress, const Work::Post& post) {
                MediaReader reader(source);
                const int64_t first = std::llround(span.first * reader.sampleRate());
                const int64_t count =
                    std::min<int64_t>(reader.frames(), std::llround(span.second * reader.sampleRate())) - first;
                const Trial trial =
                    tryNetwork(reader, choice, networks->get(choice.card), timelines, first, count, progress);
                const auto stems = temporaryStore(
                    {kStemNames, reader.sampleRate(), reader.channels(), reader.frames(), trial.block.hasRoom()},
                    trial.from, [&trial](StemStore& store) { store.append(trial.block); });
                LoudnessMeter meter(reader.channels(), reader.sampleRate(), LoudnessMeter::Detail::LoudnessAndPeak);
                meter.add(reader.read(first, count));
                std::vector<Answer> answers;
                for (size_t i = 0; i < timelines.size(); ++i)
                    answers.push_back({choice,
                                       whose[i],
                                       timelines[i],
                                       {nameOf(choice, whose[i]).toStdString(), trial.weighings[i],
                                        measuredQuality(choice.card, choice.quality), trial.seconds},
                                       trial.loudness[i],
                                       stems});
                post([this, answers, loudness = meter.integrated()] {
                    m_source = loudness;
                    take(answers);
                });
            },
            [this](const JobQueue::Outcome&) { emit changed(); });
    emit changed();
}

void TrialDesk::take(const std::vector<Answer>& answers) {
    ++m_done;
    const StemStore* playing = m_heard >= 0 ? m_answers[size_t(m_heard)].stems.get() : nullptr;
    const int candidate = m_heard >= 0 ? m_answers[size_t(m_heard)].candidate : -1;
    m_answers.insert(m_answers.end(), answers.begin(), answers.end());
    std::vector<TrialRow> rows;
    for (const auto& a : m_answers) rows.push_back(a.row);
    const TrialRanking ranking = rankTrials(rows);
    std::vector<Answer> sorted;
    for (size_t i : ranking.order) sorted.push_back(m_answers[i]);
    m_answers = std::move(sorted);
    m_reason = said(ranking.reason);
    m_heard = -1;
    for (size_t i = 0; playing && i < m_answers.size(); ++i)
        if (m_answers[i].stems.get() == playing && m_answers[i].candidate == candidate) m_heard = int(i);
    emit changed();
}

void TrialDesk::cancel() {
    m_own.begin();
    emit changed();
}

void TrialDesk::clear() {
    cancel();
    hear(-1);
    m_answers.clear();
    m_reason.clear();
    m_reel.clear();
    emit changed();
}

void TrialDesk::hear(int answer) {
    if (answer < 0) {
        if (m_heard < 0) return;
        m_heard = -1;
        m_hearing.endTrial();
        return void(emit changed());
    }
    if (answer >= int(m_answers.size())) return;
    const Answer& a = m_answers[size_t(answer)];
    m_heard = answer;
    playTried(m_hearing, a.stems, a.timeline, a.loudness, m_source, m_span);
    emit changed();
}

void TrialDesk::use(int answer) {
    if (answer < 0 || answer >= int(m_answers.size())) return;
    const Answer a = m_answers[size_t(answer)];
    hear(-1);
    m_document.editReel(say("Use ") + nameOf(a.choice, a.candidate), [&](Reel& r) {
        r.network = a.choice.network;
        r.scene = a.choice.scene;
        r.quality = a.choice.quality;
        r.timeline() = a.timeline;
    });
    m_splitting.reopen();
    if (!m_reels.current()->stems) m_splitting.split();
    emit changed();
}

}  // namespace rivlen
