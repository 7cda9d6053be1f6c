// The controller's long work: separating, exporting, measuring loudness for level match.
#include <QFileInfo>
#include <algorithm>
#include <chrono>
#include <cmath>

#include "app/Controller.h"
#include "core/audio/Decibel.h"
#include "core/base/Error.h"
#include "core/isolation/Isolator.h"
#include "core/loudness/Loudness.h"
#include "core/media/MediaReader.h"
#include "core/separation/Engine.h"
#include "core/separation/NetworkLibrary.h"

namespace rivlen {

namespace {

constexpr double kMatchSeconds = 30;  // how much around the playhead is measured for level match

}  // namespace

void Controller::split() {
    const Reel* r = reel();
    if (!r) return;
    ReelState& state = m_states[r->id];
    if (state.splitting || !state.info) return;
    if (repairPending(*r)) {
        m_splitAfterRepair = r->id;
        return repair(r->id);
    }
    NetworkCard card;
    std::filesystem::path folder;
    try {
        card = forQuality(findNetwork(r->network), r->quality);
        folder = storeFolder(*r);
        m_player.setStems(nullptr);
        state.stems = StemStore::create(folder, {kStemNames, state.info->sampleRate, state.info->channels,
                                                 state.info->frames, separatesRoom(card)});
    } catch (const Error& e) {
        emit notice(QString::fromStdString(e.what()));
        return;
    }
    state.splitting = true;
    state.repairedStems.reset();
    state.speed = 0;
    const int number = m_sessionNumber;
    const auto factor = std::make_shared<double>(0.0);
    state.splitJob = m_jobs.submit(
        "Splitting " + r->name,
        [this, number, factor, source = splitFile(*r), store = state.stems, card,
         fine = r->quality != "quick"](Progress& progress) {
            if (!m_network || m_network->card().sha256 != card.sha256) m_network = loadNetwork(card);
            const auto start = std::chrono::steady_clock::now();
            MediaReader reader(source);
            EngineOptions options;
            options.quality = fine ? EngineOptions::Quality::Fine : EngineOptions::Quality::Quick;
            const bool room = store->shape().room;
            options.stems = room ? withRoom(card, kStemNames) : kStemNames;
            separate(
                reader, m_network, options,
                [&](int64_t, const AudioBuffer& source, const std::vector<AudioBuffer>& stems) {
                    store->append(gathered(source, stems, room));
                    later(number, [this] { emit stemsChanged(); });
                },
                progress);
            store->finish();
            *factor = double(reader.frames()) / reader.sampleRate() /
                      std::chrono::duration<double>(std::chrono::steady_clock::now() - start).count();
        },
        [this, number, factor, id = r->id, folder, name = r->name](const JobQueue::Outcome& o) {
            std::error_code ignored;
            if (!o.done) std::filesystem::remove_all(folder, ignored);
            later(number, [this, factor, id, o, name] {
                ReelState& s = m_states[id];
                s.splitting = false;
                s.speed = *factor;
                if (!o.done) {
                    s.stems.reset();
                    if (!o.cancelled) emit notice(QString::fromStdString(o.error));
                }
                attachStems(id);
                if (o.done) emit done(QString("Split %1 into its stems.").arg(QString::fromStdString(name)));
            });
        });
    m_player.setStems(state.stems);
    emit stemsChanged();
}

void Controller::diagnoseReel(const Reel& reel) {
    const int number = m_sessionNumber;
    m_looking.submit(
        "Looking for faults in " + reel.name,
        [this, number, id = reel.id, source = reel.source](Progress& progress) {
            MediaReader reader(source);
            const auto diagnosis = diagnose(reader, progress);
            later(number, [this, id, source, diagnosis] {
                const Reel* r = session().reel(id);
                if (!r || r->source != source) return;  // relinked meanwhile
                m_states[id].diagnosis = diagnosis;
                if (id == session().current && repairPending(*r)) m_repair.start();
                emit reelOpened();
            });
        },
        [this, number](const JobQueue::Outcome& o) {
            if (!o.done && !o.cancelled) later(number, [this, o] { emit notice(QString::fromStdString(o.error)); });
        });
}

JobQueue::Finished Controller::ending(QObject* desk, std::function<bool()> matters, std::function<void()> changed) {
    return [this, desk, matters = std::move(matters), changed = std::move(changed)](const JobQueue::Outcome& o) {
        QMetaObject::invokeMethod(
            desk,
            [this, matters, changed, o] {
                if (!matters()) return;
                if (!o.done && !o.cancelled) emit notice(QString::fromStdString(o.error));
                changed();
            },
            Qt::QueuedConnection);
    };
}

void Controller::cancelSplit() {
    if (const ReelState* s = currentState()) m_jobs.cancel(s->splitJob);
}

bool fitsTheWindow(const NetworkCard& card) {
    return std::all_of(card.shown.begin(), card.shown.end(), [](const std::string& stem) {
        return std::find(kStemNames.begin(), kStemNames.end(), stem) != kStemNames.end();
    });
}

void Controller::installNetwork(const QString& card) {
    const int number = m_sessionNumber;
    const auto installed = std::make_shared<std::string>();
    m_quick.submit(
        "Checking a network",
        [card, installed](Progress&) { *installed = rivlen::installNetwork(card.toStdString()).name; },
        [this, number, installed](const JobQueue::Outcome& o) {
            later(number, [this, installed, o] {
                if (o.done)
                    emit done(QString("The network %1 passed its check and is installed.")
                                  .arg(QString::fromStdString(*installed)));
                else if (!o.cancelled) emit notice(QString::fromStdString(o.error));
                emit networksChanged();
            });
        });
}

void Controller::removeNetwork(const std::string& id) {
    try {
        rivlen::removeNetwork(id);
        emit done(QString("The network %1 is removed; stems made with it stay.").arg(QString::fromStdString(id)));
    } catch (const Error& e) {
        emit notice(QString::fromStdString(e.what()));
    }
    emit networksChanged();
}

void Controller::exportStems(const QString& folder, AudioFormat format) {
    const Reel* r = reel();
    const ReelState* state = currentState();
    if (!r || !state->stems || !state->stems->finished()) {
        emit notice("There are no stems to export yet: split the reel first.");
        return;
    }
    const int number = m_sessionNumber;
    m_jobs.submit(
        "Exporting " + r->name,
        [source = workFile(*r), store = state->stems, course = r->course(), format, folder,
         name = r->name](Progress& progress) {
            MediaReader reader(source);
            auto stems = store->openAll();
            StemFiles files({folder.toStdString(), name, format, false, course.uses("balance")}, store->shape().stems,
                            reader.sampleRate(), reader.channels(), course);
            const int64_t block = reader.sampleRate() * 2;
            for (int64_t at = 0; at < reader.frames(); at += block) {
                progress.throwIfCancelled();
                const int64_t count = std::min(block, reader.frames() - at);
                files.add(stems.read(reader, at, count));
                progress.report(double(at + count) / double(reader.frames()));
            }
            files.finish();
        },
        [this, number, folder, name = r->name](const JobQueue::Outcome& o) {
            later(number, [this, o, folder, name] {
                if (o.done)
                    emit done(QString("Exported the stems of %1 to %2.").arg(QString::fromStdString(name), folder));
                else if (!o.cancelled) emit notice(QString::fromStdString(o.error));
            });
        });
}

void Controller::measureLoudness() {
    const Reel* r = reel();
    ReelState* state = currentState();
    if (!m_levelMatch || !state || !state->stems)
        for (int h = 0; h < kHeardCount; ++h) m_player.setMatchGain(Heard(h), 1.0f);
    if (m_levelMatch && r && state && !state->stems) return matchRecorded();
    if (!m_levelMatch || !r || !state || !state->stems || !state->info || state->stems->available() == 0) return;
    const int rate = state->info->sampleRate;
    int64_t from = std::max<int64_t>(0, m_player.position() - int64_t(kMatchSeconds / 3 * rate));
    int64_t to = from + int64_t(kMatchSeconds * rate);
    if (r->loop) {
        from = std::llround(r->loop->first * rate);
        to = std::min<int64_t>(std::llround(r->loop->second * rate), from + int64_t(kMatchSeconds * rate));
    }
    to = std::min(to, state->stems->available());
    if (to - from < rate / 2) return;
    const int number = m_sessionNumber;
    const auto contains = [](const auto& list, const StrengthCourse& course) {
        return std::any_of(list.begin(), list.end(), [&](const auto& known) { return known.first == course; });
    };
    if (state->matchedSpan != std::pair(from, to)) state->matched.clear();
    // Candidates that were measured here before need not be again when another setting moves.
    ReelState::Matched known;
    std::vector<StrengthCourse> all;
    const auto need = [&](const StrengthCourse& course) {
        const auto before = std::find_if(state->matched.begin(), state->matched.end(),
                                         [&](const auto& m) { return m.first == course; });
        if (before != state->matched.end() && !contains(known, course)) known.push_back(*before);
        else if (before == state->matched.end() && std::find(all.begin(), all.end(), course) == all.end())
            all.push_back(course);
    };
    need(r->course());
    for (const auto& c : r->candidates)
        if (c) need(courseWith(*r, c->settings));
    m_quick.submit(
        "Matching levels",
        [this, number, id = r->id, source = workFile(*r), recorded = r->source, store = state->stems, all, known, from,
         to](Progress& progress) {
            MediaReader reader(source), untreated(recorded);
            auto stems = store->openAll();
            Isolator isolator(reader.channels(), reader.sampleRate());
            isolator.keepFrames();
            const int64_t margin = isolator.margin();
            const auto make = [&](size_t count) {
                std::vector<LoudnessMeter> meters;
                for (size_t i = 0; i < count; ++i)
                    meters.emplace_back(reader.channels(), reader.sampleRate(), LoudnessMeter::Detail::LoudnessAndPeak);
                return meters;
            };
            std::vector<LoudnessMeter> meters = make(kHeardCount), results = make(all.size()),
                                       leftovers = make(all.size());
            for (int64_t at = from; at < to; at += reader.sampleRate()) {
                progress.throwIfCancelled();
                const int64_t count = std::min<int64_t>(reader.sampleRate(), to - at);
                const StemBlock whole = stems.read(reader, at - margin, count + 2 * margin);
                const AudioBuffer x = whole.source.slice(margin, count);
                meters[size_t(Heard::Source)].add(x);
                meters[size_t(Heard::Recorded)].add(source == recorded ? x : untreated.read(at, count));
                for (size_t i = 0; i < all.size(); ++i) {
                    const size_t wanted = stemPlace(all[i].base.stem);
                    auto out = isolator.apply(all[i], int(wanted), at, whole);
                    AudioBuffer rest = x;
                    for (size_t n = 0; n < rest.samples().size(); ++n)
                        rest.samples()[n] -= out.stems[wanted].samples()[n];
                    results[i].add(out.result);
                    leftovers[i].add(rest);
                }
                for (size_t s = 0; s < kStemCount; ++s)
                    meters[size_t(Heard::Dialogue) + s].add(whole.stems[s].slice(margin, count));
            }
            std::map<int, double> loudness;
            for (int h = 0; h < kHeardCount; ++h) loudness[h] = meters[size_t(h)].integrated();
            ReelState::Matched matched = known;
            for (size_t i = 0; i < all.size(); ++i)
                matched.push_back({all[i], {results[i].integrated(), leftovers[i].integrated()}});
            later(number, [this, id, loudness, matched, from, to] {
                if (!reel() || reel()->id != id || !m_levelMatch) return;
                m_states[id].loudness = loudness;
                m_states[id].matched = matched;
                m_states[id].matchedSpan = {from, to};
                if (!m_blind && !m_trying) matchLevels(reel()->course());
                emit heardChanged();
            });
        },
        [this, number](const JobQueue::Outcome& o) {
            if (!o.done && !o.cancelled) later(number, [this, o] { emit notice(QString::fromStdString(o.error)); });
        });
}

void Controller::matchRecorded() {
    const Reel& r = *reel();
    const ReelState& state = *currentState();
    const auto work = workFile(r);
    if (work == r.source || !state.info) return;
    const int rate = state.info->sampleRate, number = m_sessionNumber;
    const int64_t from = std::max<int64_t>(0, m_player.position() - int64_t(kMatchSeconds / 3 * rate)),
                  to = std::min<int64_t>(state.info->frames, from + int64_t(kMatchSeconds * rate));
    const auto gain = std::make_shared<double>(0.0);
    m_quick.submit(
        "Matching levels",
        [work, recorded = r.source, from, to, rate, gain](Progress& progress) {
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
            *gain = std::isfinite(lufs[0]) && std::isfinite(lufs[1]) && lufs[1] > -60
                        ? std::clamp(lufs[0] - lufs[1], -12.0, 12.0)
                        : 0;
        },
        [this, number, id = r.id, gain](const JobQueue::Outcome& o) {
            later(number, [this, id, gain, o] {
                if (!o.done && !o.cancelled) emit notice(QString::fromStdString(o.error));
                if (o.done && m_levelMatch && reel() && reel()->id == id && !currentState()->stems)
                    m_player.setMatchGain(Heard::Recorded, float(fromDb(*gain)));
            });
        });
}

void Controller::matchLevels(const StrengthCourse& course) {
    ReelState* state = currentState();
    if (!m_levelMatch || m_trying || !state || state->loudness.empty()) return;
    const auto known =
        std::find_if(state->matched.begin(), state->matched.end(), [&](const auto& m) { return m.first == course; });
    if (known == state->matched.end()) return;  // measured in a moment; the gains before are nearer than none
    std::tie(state->loudness[int(Heard::Result)], state->loudness[int(Heard::Leftovers)]) = known->second;
    const double source = state->loudness.at(int(Heard::Source));
    for (int h = 1; h < kHeardCount; ++h) {
        const double own = state->loudness.at(h);
        // Silence is not amplified: a stem that is hardly there stays hardly there.
        const double gain =
            std::isfinite(own) && own > -60 && std::isfinite(source) ? std::clamp(source - own, -12.0, 12.0) : 0.0;
        m_player.setMatchGain(Heard(h), float(fromDb(gain)));
    }
}

}  // namespace rivlen
