#include "app/weigh/OutsideDesk.h"

#include <QFileInfo>
#include <QSettings>
#include <cmath>

#include "app/weigh/TemporaryStore.h"
#include "app/weigh/TriedSound.h"
#include "app/words/Say.h"
#include "core/audio/Decibel.h"
#include "core/base/Resources.h"
#include "core/exchange/LayAnswer.h"
#include "core/isolation/ForeignResult.h"
#include "core/loudness/Loudness.h"
#include "core/media/MediaReader.h"
#include "core/media/OutputPlace.h"

namespace rivlen {

namespace fs = std::filesystem;

namespace {

constexpr int kLookEvery = 500;  // ms

/// A name that nothing bears yet: what was laid in before keeps its file.
fs::path freeFile(const fs::path& folder, const std::string& name) {
    fs::path file = folder / (name + ".wav");
    for (int number = 2; fs::exists(file); ++number) file = folder / (name + " " + std::to_string(number) + ".wav");
    return file;
}

/// The program that a command begins with.
QString programOf(const QString& command) {
    return QString::fromStdString(fs::path(command.trimmed().section(' ', 0, 0).toStdString()).filename().string());
}

/// The reel's stems over a span with an answer in one's place: what it leaves of the recording is in the ambience, or
/// in the dialogue where the ambience is the wanted one.
std::shared_ptr<StemStore> answered(MediaReader& reader, const StemStore& own, size_t wanted, SampleSource& placed,
                                    int64_t first, int64_t count, const Progress& progress) {
    std::vector<std::unique_ptr<SampleSource>> stems;
    for (const auto& name : kStemNames) stems.push_back(own.open(std::max(0, own.stemIndex(name))));
    const size_t rest = wanted + 1 == kStemCount ? 0 : kStemCount - 1;
    const int rate = reader.sampleRate();
    return temporaryStore({kStemNames, rate, reader.channels(), reader.frames()}, first, [&](StemStore& store) {
        for (int64_t at = first; at < first + count; at += rate) {
            progress.throwIfCancelled();
            const int64_t n = std::min<int64_t>(rate, first + count - at);
            StemBlock block;
            block.source = reader.read(at, n);
            for (size_t s = 0; s < kStemCount; ++s)
                block.stems.push_back(s == wanted ? placed.read(at, n) : stems[s]->read(at, n));
            AudioBuffer left = block.source;
            for (size_t s = 0; s < kStemCount; ++s)
                for (size_t i = 0; s != rest && i < left.samples().size(); ++i)
                    left.samples()[i] -= block.stems[s].samples()[i];
            block.stems[rest] = std::move(left);
            store.append(block);
        }
    });
}

double loudnessOf(SampleSource& sound, int64_t first, int64_t count) {
    LoudnessMeter meter(sound.channels(), sound.sampleRate(), LoudnessMeter::Detail::LoudnessAndPeak);
    for (int64_t at = first; at < first + count; at += sound.sampleRate())
        meter.add(sound.read(at, std::min<int64_t>(sound.sampleRate(), first + count - at)));
    return meter.integrated();
}

}  // namespace

OutsideDesk::OutsideDesk(Document& document, SessionFile& file, Reels& reels, Hearing& hearing, EditRebuild edit,
                         Work& work, QObject* parent)
    : QObject(parent),
      m_document(document),
      m_file(file),
      m_reels(reels),
      m_hearing(hearing),
      m_edit(std::move(edit)),
      m_work(work),
      m_own(work, this, OwnWork::Shown::InWorkLine) {
    const QSettings settings;
    m_ways.byCommand = settings.value("outside/byCommand", true).toBool();
    m_ways.command = settings.value("outside/command").toString();
    m_ways.folder = settings.value("outside/folder").toString();
    m_ways.sendsStem = settings.value("outside/sendsStem", false).toBool();
    m_ways.handles = settings.value("outside/handles", 1.0).toDouble();
    m_looking.setInterval(kLookEvery);
    connect(&m_looking, &QTimer::timeout, this, &OutsideDesk::look);
    connect(&reels, &Reels::read, this, [this] {
        if (!m_reel.empty() && (!m_document.reel() || m_document.reel()->id != m_reel)) clear();
    });
    connect(&document, &Document::changed, this, [this] {
        if (m_heard >= 0 && !m_hearing.trying()) m_heard = -1;  // the controls took over again
        emit changed();
    });
    connect(&reels, &Reels::stemsChanged, this, &OutsideDesk::changed);
}

void OutsideDesk::setWays(const Ways& ways) {
    m_ways = ways;
    QSettings settings;
    settings.setValue("outside/byCommand", ways.byCommand);
    settings.setValue("outside/command", ways.command);
    settings.setValue("outside/folder", ways.folder);
    settings.setValue("outside/sendsStem", ways.sendsStem);
    settings.setValue("outside/handles", ways.handles);
    emit changed();
}

QString OutsideDesk::hindrance() const {
    const Reel* reel = m_document.reel();
    const ReelFacts* facts = m_reels.current();
    if (!reel || !facts->info || facts->missing) return say("Add a recording at Intake first.");
    if (!facts->stems || !facts->stems->finished())
        return say("Split this reel first: what comes back is weighed beside its stems.");
    if (!stemOfPart(reel->stem).empty()) return say("Choose Dialogue, Music or Ambience first: parts are not sent.");
    if (m_ways.byCommand && m_ways.command.trimmed().isEmpty())
        return say("Give the command that cleans {in} into {out}, or choose a folder.");
    if (!m_ways.byCommand && m_ways.folder.trimmed().isEmpty())
        return say("Choose the folder that the cleaner takes its sounds from.");
    return {};
}

fs::path OutsideDesk::folder() const {
    return m_file.path().isEmpty() ? dataFolder() / "outside"
                                   : fs::path(m_file.path().toStdString()).parent_path() / "outside";
}

void OutsideDesk::send() {
    if (const QString why = hindrance(); !why.isEmpty()) return void(m_work.warn(why));
    const Reel reel = *m_document.reel();
    const ReelFacts& facts = *m_reels.current();
    const auto span = reel.loop.value_or(std::pair(0.0, facts.info->duration()));
    // Answers to the same question are kept beside each other.
    if (m_reel != reel.id || m_stem != reel.stem || !m_sent || std::pair(m_sent->from, m_sent->to) != span) clear();
    else cancel();
    m_reel = reel.id;
    m_stem = reel.stem;
    const std::string name = sentName(reel.name, m_ways.sendsStem ? reel.stem : "recording", span.first, span.second);
    const fs::path to = m_ways.byCommand ? cacheFolder() / "outside" : fs::path(m_ways.folder.toStdString());
    m_own.submit(
        say("Sending ") + QString::fromStdString(name),
        [this, ways = m_ways, name, span, to, back = folder(), source = m_reels.heardFile(reel), store = facts.stems,
         stem = reel.stem, clock = facts.info->timecodeSeconds](Progress& progress, const Work::Post& post) {
            const auto sound = ways.sendsStem ? store->open(std::max(0, store->stemIndex(stem)))
                                              : std::unique_ptr<SampleSource>(std::make_unique<MediaReader>(source));
            makeFolder(to);
            const AnswerWatch watch(to, {to / (name + ".wav"), 0, 0, 0});
            const SentSound sent =
                sendSound(*sound, name, span.first, span.second, ways.handles, to, clock, Progress(progress, 0, 0.5));
            if (!ways.byCommand) {
                post([this, sent, watch] {
                    m_sent = sent;
                    m_watch = watch;
                    m_looking.start();
                    emit changed();
                });
                return;
            }
            makeFolder(back);
            const fs::path answer = runCleaner(ways.command.toStdString(), sent, freeFile(back, name + " from outside"),
                                               Progress(progress, 0.5, 1));
            post([this, sent, answer, by = programOf(ways.command)] {
                m_sent = sent;
                read(answer, by);
            });
        },
        [this](const JobQueue::Outcome&) { emit changed(); });
    emit changed();
}

void OutsideDesk::look() {
    if (!m_watch) return m_looking.stop();
    const auto file = m_watch->look();
    if (!file) return;
    take(QString::fromStdString(file->string()));
}

void OutsideDesk::take(const QString& file) {
    if (!m_sent) return void(m_work.warn(say("Send the sound first: an answer is found by what was sent.")));
    m_watch.reset();
    m_looking.stop();
    // Of "NAME cleaned.wav" what the cleaner added.
    const QString name = QFileInfo(file).completeBaseName(),
                  sent = QString::fromStdString(m_sent->file.stem().string());
    const QString added = name.startsWith(sent) ? name.mid(sent.size()).trimmed() : name;
    read(file.toStdString(), added.isEmpty() ? name : added);
}

QString OutsideDesk::freeName(const QString& name) const {
    const auto taken = [this](const QString& n) {
        return std::any_of(m_answers.begin(), m_answers.end(), [&](const Returned& a) { return a.name == n; });
    };
    QString free = name;
    for (int number = 2; taken(free); ++number) free = name + " " + QString::number(number);
    return free;
}

void OutsideDesk::read(const fs::path& file, const QString& by) {
    const Reel* reel = m_document.session().reel(m_reel);
    if (!reel || !m_sent || !m_reels.of(m_reel).stems) return;
    StrengthTimeline timeline = reel->strength[wantedPlace(m_stem)];
    m_own.submit(
        say("Finding what came back"),
        [this, file, name = freeName(by), sent = *m_sent, stem = m_stem, timeline, store = m_reels.of(m_reel).stems,
         source = m_reels.heardFile(*reel)](Progress& progress, const Work::Post& post) {
            Returned made{name, findAnswer(sent.file, file, Progress(progress, 0, 0.6)), sent, stem, {}, 0, 0, nullptr};
            MediaReader reader(source);
            const size_t wanted = stemPlace(stem);
            const int64_t rate = reader.sampleRate(), first = std::llround(sent.from * double(rate)),
                          count = std::min<int64_t>({std::llround(sent.to * double(rate)) - first,
                                                     reader.frames() - first, int64_t(kLongest) * rate});
            StemReaders stems = store->openAll();
            const SpanCells cells = readSpanCells(reader, stems, timeline, int(wanted), first, count);
            progress.report(0.7);
            Weigher weigher(cells);
            const Weighing own = weigher.weigh(timeline);
            const std::shared_ptr<SampleSource> around = store->open(std::max(0, store->stemIndex(stem)));
            AnsweredSource asItCame(around, made.answer, sent.begin, 0);
            made.weighing = weigher.weighGains(gainsOf(asItCame, cells, first, count));
            made.gain = levelMatchDb(own, made.weighing);
            progress.throwIfCancelled();
            AnsweredSource placed(around, made.answer, sent.begin, made.gain);
            made.stems = answered(reader, *store, wanted, placed, first, count, progress);
            progress.report(0.9);
            made.loudness = loudnessOf(placed, first, count);
            const double loudness = loudnessOf(reader, first, count);
            post([this, made, own, loudness] {
                m_ownWeighing = own;
                m_source = loudness;
                m_answers.push_back(made);
                emit changed();
            });
        },
        [this](const JobQueue::Outcome&) { emit changed(); });
    emit changed();
}

QString OutsideDesk::state() const {
    if (waiting())
        return say("Waiting in the folder for a file that begins with \"%1\".")
            .arg(QString::fromStdString(m_sent->file.stem().string()));
    for (const auto& job : m_own.status()) return said(job.title) + QChar(0x2026);
    if (const QString why = hindrance(); !why.isEmpty()) return why;
    if (m_answers.empty()) return say("The loop, or the whole reel, is sent; its answer is found by its sound.");
    const Answer& a = m_answers.back().answer;
    const double gain = m_answers.back().gain;
    return say("Found %1 ms %2, at %3 Hz; brought in at %4%5 dB.")
        .arg(1000 * std::fabs(a.late()), 0, 'f', 2)
        .arg(a.late() < 0 ? say("early") : say("late"))
        .arg(a.rate)
        .arg(gain > 0 ? "+" : "")
        .arg(gain, 0, 'f', 1)
        .replace('-', QChar(0x2212));
}

void OutsideDesk::cancel() {
    m_own.begin();
    m_watch.reset();
    m_looking.stop();
    emit changed();
}

void OutsideDesk::clear() {
    cancel();
    hear(-1);
    m_answers.clear();
    m_ownWeighing.reset();
    m_sent.reset();
    m_reel.clear();
    emit changed();
}

void OutsideDesk::hear(int answer) {
    if (answer < 0) {
        if (m_heard < 0) return;
        m_heard = -1;
        m_hearing.endTrial();
        return void(emit changed());
    }
    if (answer >= int(m_answers.size())) return;
    const Returned& a = m_answers[size_t(answer)];
    m_heard = answer;
    StrengthTimeline plain;
    plain.base.stem = a.stem;
    playTried(m_hearing, a.stems, plain, a.loudness, m_source,
              {a.sent.from, std::min(a.sent.to, a.sent.from + kLongest)});
    emit changed();
}

void OutsideDesk::layIn(int answer) {
    if (answer < 0 || answer >= int(m_answers.size())) return;
    const Returned a = m_answers[size_t(answer)];
    const int rate = m_reels.current()->info->sampleRate;
    hear(-1);
    try {
        m_edit(say("Lay in from outside"),
               [&](Rebuild& r) { return layAnswer(r, a.answer, a.sent, rate, stemPlace(a.stem), a.gain); });
        m_work.report(say("What came back from %1 lies on a lane of its own at Rebuild.").arg(a.name));
    } catch (const Error& e) {
        m_work.warn(QString::fromUtf8(e.what()));
    }
}

}  // namespace rivlen
