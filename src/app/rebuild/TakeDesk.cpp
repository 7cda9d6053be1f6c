#include "app/rebuild/TakeDesk.h"

#include <QSettings>
#include <algorithm>
#include <cmath>

#include "app/words/Say.h"
#include "core/base/Error.h"
#include "core/base/Resources.h"
#include "core/media/MediaReader.h"
#include "core/rebuild/ClipEdits.h"
#include "core/spectral/Lateness.h"

namespace rivlen {

namespace {

constexpr double kPostRoll = 0.5;  // so that the last word is in, however late the device is
constexpr double kMeasured = 4;    // seconds that are played to find how late they come back
constexpr float kFall = 0.93f;     // of the level, each pulse
constexpr const char* kVoiceLane = "Voice line";

TakeWays remembered() {
    const QSettings settings;
    TakeWays ways;
    ways.input.kind = VoiceInput::Kind(std::clamp(settings.value("takes/kind", 0).toInt(), 0, 2));
    ways.input.card = settings.value("takes/card").toString().toStdString();
    ways.input.channel = std::clamp(settings.value("takes/channel", 0).toInt(), 0, kVoiceChannels - 1);
    ways.preRoll = std::clamp(settings.value("takes/preRoll", ways.preRoll).toDouble(), 0.0, kLongestPreRoll);
    ways.correction =
        std::clamp(settings.value("takes/correction", 0.0).toDouble(), -kLargestCorrection, kLargestCorrection);
    return ways;
}

QString seconds(double s) { return QString::number(s, 'f', 1); }

}  // namespace

TakeDesk::TakeDesk(Document& document, const SessionFile& file, Reels& reels, RebuildDesk& desk, RebuildMix& mix,
                   Hearing& hearing, Work& work, QObject* parent)
    : QObject(parent),
      m_document(document),
      m_file(file),
      m_reels(reels),
      m_desk(desk),
      m_mix(mix),
      m_hearing(hearing),
      m_work(work),
      m_ways(remembered()),
      m_own(work, this, OwnWork::Shown::InWorkLine) {
    connect(&hearing, &Hearing::pulse, this, &TakeDesk::beat);
    connect(&hearing.output(), &SoundOutput::changed, this, &TakeDesk::changed);
    connect(&desk, &RebuildDesk::changed, this, &TakeDesk::changed);
    connect(&desk, &RebuildDesk::reelChanged, this, [this] {
        if (recording() && m_document.session().current != m_reel) end();
        recover();
        emit changed();
    });
}

TakeDesk::~TakeDesk() { m_hearing.player().keepVoice(nullptr); }

std::filesystem::path TakeDesk::folder() const {
    return m_file.path().isEmpty() ? dataFolder() / "takes"
                                   : std::filesystem::path(m_file.path().toStdString()).parent_path() / "takes";
}

void TakeDesk::setWays(const TakeWays& ways) {
    const bool other = ways.input != m_ways.input;
    m_ways = ways;
    QSettings settings;
    settings.setValue("takes/kind", int(ways.input.kind));
    settings.setValue("takes/card", QString::fromStdString(ways.input.card));
    settings.setValue("takes/channel", ways.input.channel);
    settings.setValue("takes/preRoll", ways.preRoll);
    settings.setValue("takes/correction", ways.correction);
    if (other && listening()) listen(true);
    emit changed();
}

void TakeDesk::listen(bool on) {
    if (recording()) end();
    if (!m_hearing.player().isOpen()) return void(m_work.warn(say("Add a recording at Intake first.")));
    if (!m_hearing.output().listen(on ? std::optional(m_ways.input) : std::nullopt) && on)
        m_work.warn(
            m_hearing.output().choice().kind == OutputChoice::Kind::Jack
                ? say("JACK brings no voice: it runs at another rate than the recording, or not at all.")
                : say("That microphone cannot be opened at the recording's rate beside the sound output: choose "
                      "another one."));
    m_peak = 0;
    emit changed();
}

void TakeDesk::toggle() {
    if (recording()) return end();
    const auto loop = m_hearing.loop();
    if (loop) begin(Purpose::Line, loop->first, loop->second, m_ways.preRoll);
    else begin(Purpose::Line, m_desk.playhead(), std::nullopt, m_ways.preRoll);
}

void TakeDesk::measure() {
    if (recording()) return;
    m_heardBefore = m_hearing.player().heard();
    const double at = m_desk.playhead();
    if (!begin(Purpose::Measure, at, at + kMeasured, 0)) return;
    m_measured = say("Measuring…");
    m_hearing.hear(Heard::Source);
    emit changed();
}

bool TakeDesk::begin(Purpose purpose, double from, std::optional<double> to, double preRoll) {
    const auto hindered = [this](const QString& why) {
        m_work.warn(why);
        return false;
    };
    const Reel* reel = m_document.reel();
    const ReelFacts* facts = m_reels.current();
    if (!m_desk.ready() || !reel || !facts || !facts->info) return hindered(say("Add a recording at Intake first."));
    Player& player = m_hearing.player();
    if (const SharedTransport* shared = player.transport(); shared && shared->use() == TransportUse::Follow)
        return hindered(say("The playhead follows JACK's transport: let it lead, or stand alone, to record."));
    if (!listening()) listen(true);
    if (!listening()) return false;
    const int rate = player.sampleRate();
    m_purpose = purpose;
    m_from = from;
    m_to = to;
    m_reel = reel->id;
    m_lane = m_desk.laneId();
    const int64_t first = std::max<int64_t>(0, std::llround((m_from - preRoll) * rate));
    const int64_t until = m_to ? std::llround((*m_to + kPostRoll / 2) * rate) : player.frames();
    try {
        m_recorder = std::make_unique<TakeRecorder>(
            std::make_unique<TakeFile>(purpose == Purpose::Line ? folder() : cacheFolder() / "measured",
                                       reel->name + " take", rate, first,
                                       std::llround(facts->info->timecodeSeconds.value_or(0) * rate)),
            purpose == Purpose::Line ? std::llround(m_ways.correction * rate / 1000) : 0, until);
    } catch (const Error& e) {
        return hindered(QString::fromStdString(e.what()));
    }
    if (player.playing()) m_hearing.togglePlay();
    // Nobody speaks over an earlier take.
    if (purpose == Purpose::Line) m_mix.leaveOut(laneForTakes(m_desk.rebuild(), m_lane));
    m_hearing.holdLoop(true);
    m_hearing.locate(first);
    player.keepVoice(m_recorder->ring());
    m_hearing.togglePlay();
    emit changed();
    return true;
}

void TakeDesk::beat() {
    if (!listening() && !recording()) return;
    m_peak = std::max(m_hearing.player().takeVoicePeak(), m_peak * kFall);
    if (recording()) {
        const Player& player = m_hearing.player();
        const double at = double(player.position()) / player.sampleRate();
        const bool waits = m_hearing.output().led() && !player.playing() && m_recorder->frames() == 0;
        if ((!player.playing() && !waits) || (m_to && at >= *m_to + kPostRoll) || m_recorder->failed() || !listening())
            end();
    }
    emit changed();
}

void TakeDesk::end() {
    Player& player = m_hearing.player();
    const double at = player.isOpen() ? double(player.position()) / player.sampleRate() : m_from;
    const bool here = m_document.session().current == m_reel;
    if (here && player.playing()) m_hearing.togglePlay();
    player.keepVoice(nullptr);
    m_mix.leaveOut({});
    m_hearing.holdLoop(false);
    if (here) m_hearing.locate(std::llround(m_from * player.sampleRate()));
    if (m_purpose == Purpose::Measure) m_hearing.hear(m_heardBefore);
    const std::shared_ptr<TakeRecorder> recorder = std::move(m_recorder);
    const int rate = m_reels.of(m_reel).info ? m_reels.of(m_reel).info->sampleRate : player.sampleRate();
    const auto span = std::pair(m_from, std::min(m_to.value_or(at), at));
    const Reel* reel = m_document.session().reel(m_reel);
    if (m_purpose == Purpose::Measure) {
        if (reel)
            m_own.submit(say("Measuring how late the microphone is"),
                         [this, recorder, source = m_reels.heardFile(*reel)](Progress&, const Work::Post& post) {
                             measureTake(*recorder, source, post);
                         });
        return emit changed();
    }
    m_own.submit(say("Keeping the take"),
                 [this, recorder, reel = m_reel, lane = m_lane, span, rate](Progress&, const Work::Post& post) {
                     const auto kept = recorder->finish();
                     post([this, kept, reel, lane, span, rate] { layIn(reel, kept, span, rate, lane); });
                 });
    emit changed();
}

void TakeDesk::measureTake(TakeRecorder& recorder, const std::filesystem::path& source, const Work::Post& post) {
    const auto kept = recorder.finish();
    const auto mono = [](const AudioBuffer& sound) {
        std::vector<float> sum(size_t(sound.frames()), 0.0f);
        for (int c = 0; c < sound.channels(); ++c)
            for (size_t i = 0; i < sum.size(); ++i) sum[i] += sound.channel(c)[i];
        return sum;
    };
    MediaReader played(source), came(kept.file);
    const int rate = played.sampleRate();
    const auto late = lateness(mono(played.read(kept.first, std::min(kept.frames, played.frames() - kept.first))),
                               mono(came.read(0, came.frames())), int(kLargestCorrection * rate / 1000));
    std::error_code ignored;
    std::filesystem::remove(kept.file, ignored);
    post([this, late, rate] {
        if (late) {
            TakeWays ways = m_ways;
            ways.correction = 1000.0 * *late / rate;
            setWays(ways);
            m_measured = say("It comes back %1 ms (%2 samples) later than the device says: taken off from now on.")
                             .arg(ways.correction, 0, 'f', 2)
                             .arg(*late);
        } else {
            m_measured =
                say("The recording was not heard in what came back: turn it up, or choose a place with more sound.");
        }
        emit changed();
    });
}

void TakeDesk::layIn(const std::string& reel, const TakeRecorder::Kept& kept, std::pair<double, double> span, int rate,
                     const std::string& chosen) {
    const QString file = QString::fromStdString(kept.file.filename().string());
    const double begins = double(kept.first) / rate, ends = begins + double(kept.frames) / rate;
    const double from = span.first, to = std::min(span.second, ends);
    if (m_document.session().current != reel || to - from < kShortestClip)
        return m_work.report(say("The take is kept as \"%1\" in %2: import it where it belongs.")
                                 .arg(file, QString::fromStdString(kept.file.parent_path().string())));
    std::string clip, lane;
    m_desk.edit(say("Record a line"), [&](Rebuild& r) {
        lane = laneForTakes(r, chosen);
        if (lane.empty()) lane = addLane(r, kVoiceLane, chosen);
        clip = layTake(r, lane, soundFor(r, kept.file), begins, from, to);
    });
    m_desk.chooseLane(lane);
    m_desk.select({clip});
    QString said = say("\"%1\" lies at %2 s and is %3 s long.").arg(file, seconds(from), seconds(to - from));
    if (kept.missing > 0)
        said += say(" %1 ms of it did not come in time and are silent: take it again with a longer block.")
                    .arg(1000.0 * double(kept.missing) / rate, 0, 'f', 1);
    m_work.report(said);
}

void TakeDesk::recover() {
    if (recording() || !m_own.idle()) return;
    QStringList names;
    for (const auto& file : TakeFile::recover(folder())) names << QString::fromStdString(file.filename().string());
    if (!names.isEmpty())
        m_work.report(say("Rivlen ended while a take was recorded: it is kept as \"%1\" in %2.")
                          .arg(names.join("\", \""), QString::fromStdString(folder().string())));
}

QString TakeDesk::state() const {
    if (!recording()) return {};
    const Player& player = m_hearing.player();
    const double at = double(player.position()) / player.sampleRate();
    if (at < m_from) return say("%1 s to go").arg(seconds(m_from - at));
    if (!m_to) return QString("%1 s").arg(seconds(at - m_from));
    return say("%1 of %2 s").arg(seconds(std::min(at, *m_to) - m_from), seconds(*m_to - m_from));
}

QString TakeDesk::hint() const {
    const QString where = m_hearing.loop()
                              ? say("Records into the loop, with the pre-roll first, and ends by itself")
                              : say("Records from the playhead on, with the pre-roll first, until it is ended "
                                    "(with a loop: into the loop)");
    return where + say(" (Shift+R). The take lies where it was spoken, on a lane of its own");
}

std::string laneForTakes(const Rebuild& rebuild, const std::string& chosen) {
    if (const Lane* lane = rebuild.lane(chosen); lane && lane->stem < 0) return lane->id;
    for (const auto& lane : rebuild.lanes)
        if (lane->name == kVoiceLane && lane->stem < 0) return lane->id;
    return {};
}

}  // namespace rivlen
