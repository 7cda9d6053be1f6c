#include "app/hearing/Hearing.h"

#include <cmath>

#include "app/words/Say.h"
#include "core/base/Error.h"
#include "core/media/MediaReader.h"

namespace rivlen {

namespace {
constexpr int kPictureMs = 33, kIdleMs = 250;
constexpr int kMetersFallMs = 7000;  // from full scale to nothing, the held value last
constexpr int kRestMs = 2000;
}  // namespace

Hearing::Hearing(std::unique_ptr<Device> device, Document& document, Reels& reels, Work& work, QObject* parent)
    : QObject(parent),
      m_document(document),
      m_reels(reels),
      m_work(work),
      m_player(std::move(device)),
      m_output(m_player, work),
      m_headphones(m_player, work),
      m_match(m_player, document, reels, work) {
    connect(&document, &Document::voided, this, [this] {
        m_player.close();
        m_opened.clear();
    });
    connect(&document, &Document::sourceReplaced, this, [this] { m_opened.clear(); });
    connect(&document, &Document::chosen, this, &Hearing::openCurrent);
    connect(&document, &Document::edited, this, &Hearing::follow);
    connect(&reels, &Reels::stemsReplaced, this, &Hearing::attach);
    connect(&m_match, &LevelMatch::changed, this, &Hearing::changed);
    connect(&m_output, &SoundOutput::changed, this, &Hearing::changed);
    connect(&m_pulse, &QTimer::timeout, this, &Hearing::beat);
    connect(this, &Hearing::changed, this, &Hearing::quicken);
    m_still.start();
    m_pulse.start(kIdleMs);
}

Hearing::~Hearing() { m_player.close(); }

void Hearing::openCurrent() {
    const Reel* r = m_document.reel();
    if (!r || m_reels.of(r->id).missing) {
        m_player.close();
        m_opened.clear();
        return m_reels.tellRead();
    }
    if (m_opened == r->id) return;
    m_audition.reset();
    m_ownLoop = r->loop;
    try {
        m_player.open([source = r->source] { return std::make_unique<MediaReader>(source); });
        m_opened = r->id;
        m_played = r->source;
    } catch (const Error& e) {
        m_opened.clear();
        m_work.warn(QString::fromStdString(e.what()));
        return m_reels.tellRead();
    }
    m_headphones.follow();
    m_output.left();
    emit opened();
    follow();
    m_document.announce();
    m_reels.tellRead();
    emit changed();
}

void Hearing::attach(const std::string& id) {
    const Reel* r = m_document.reel();
    if (!r || r->id != id) return;
    setTrying(false);
    m_player.setStems(m_reels.of(id).stems);
    if (!m_reels.treatmentPending(*r)) playVersions();  // else what is heard goes on until the treatments are through
}

void Hearing::follow() {
    endTrial();
    if (const Reel* r = m_document.reel()) {
        m_player.setStrength(r->timeline());
        if (r->loop != m_ownLoop) m_audition.reset();
        m_ownLoop = r->loop;
        followLoop();
        m_match.follow(r->timeline());
    }
    m_match.soon();
}

std::optional<std::pair<double, double>> Hearing::loop() const {
    return m_audition || !m_document.reel() ? m_audition : m_document.reel()->loop;
}

void Hearing::followLoop() {
    const auto at = [this](double seconds) { return std::llround(seconds * m_player.sampleRate()); };
    const auto now = m_loopHeld ? std::nullopt : loop();
    m_player.setLoop(now ? std::optional(std::pair<int64_t, int64_t>(at(now->first), at(now->second))) : std::nullopt);
}

void Hearing::holdLoop(bool on) {
    m_loopHeld = on;
    if (m_player.isOpen()) followLoop();
}

void Hearing::audition(double from, double to) {
    if (!m_player.isOpen()) return;
    m_audition = std::pair(from, to);
    followLoop();
    m_output.left();  // what is tried does not move the others
    m_player.locate(std::llround(from * m_player.sampleRate()));
    m_player.play();
    emit changed();
}

void Hearing::removeLoop() {
    m_audition.reset();
    if (m_document.reel() && m_document.reel()->loop)
        m_document.editReel(say("Remove loop"), [](Reel& r) { r.loop.reset(); });
    followLoop();
    emit changed();
}

void Hearing::tryIsolation(const IsolationSettings& settings) {
    if (!m_document.reel()) return;
    const StrengthTimeline timeline = timelineWith(*m_document.reel(), settings);
    m_player.setStrength(timeline);
    m_match.follow(timeline);
}

void Hearing::setTrying(bool on) {
    m_trying = on;
    m_match.hold(on);
}

void Hearing::tryStems(std::shared_ptr<StemStore> stems, const StrengthTimeline& timeline, float resultGain) {
    setTrying(true);
    m_player.setStems(std::move(stems));
    m_player.setStrength(timeline);
    if (m_match.on()) m_player.setMatchGain(Heard::Result, resultGain);
    emit changed();
}

void Hearing::endTrial() {
    if (!m_trying) return;
    setTrying(false);
    if (const Reel* r = m_document.reel()) {
        m_player.setStems(m_reels.of(r->id).stems);
        m_player.setStrength(r->timeline());
        m_match.follow(r->timeline());
    }
    emit changed();
}

void Hearing::setBlind(bool on) {
    m_blind = on;
    m_match.wait(on);
    if (!on && m_document.reel()) tryIsolation(m_document.reel()->isolation());
    m_document.announce();
}

void Hearing::playVersions() {
    const Reel* r = m_document.reel();
    if (!r || m_opened != r->id) return;
    const auto chain = r->recordingTreatments();
    const auto file = m_reels.heardFile(*r);
    const auto opens = [](const std::filesystem::path& file) {
        return [file] { return std::make_unique<MediaReader>(file); };
    };
    if (file != m_played)
        m_player.setVersions(opens(file), file == r->source ? Player::OpenSource() : opens(r->source));
    m_played = file;
    const bool treated = file != r->source || !chain.empty();
    if (!treated && (m_player.heard() == Heard::Recorded || m_player.heard() == Heard::Removed)) hear(Heard::Source);
}

void Hearing::tryVersions(Player::OpenSource source, Player::OpenSource recorded, Player::OpenSource removed) {
    m_played.clear();
    m_player.setVersions(std::move(source), std::move(recorded), std::move(removed));
}

void Hearing::beat() {
    m_output.beat();
    if (m_player.playing()) m_still.start();
    const int64_t still = m_still.elapsed();
    if (still > kRestMs) m_player.rest();
    const int wanted = still > kMetersFallMs && !m_player.transport() ? kIdleMs : kPictureMs;
    if (m_pulse.interval() != wanted) m_pulse.setInterval(wanted);
    emit pulse();
}

void Hearing::quicken() {
    m_still.start();
    if (m_pulse.interval() != kPictureMs) m_pulse.setInterval(kPictureMs);
}

void Hearing::togglePlay() {
    if (SharedTransport* const shared = m_output.led()) {
        // What plays here alone ends here alone.
        if (shared->rolling()) shared->halt();
        else if (m_player.playing()) m_player.stop();
        else {
            if (shared->frame() != m_player.position()) shared->locate(m_player.position());
            shared->roll();
        }
    } else if (m_player.playing()) {
        m_player.stop();
    } else {
        m_player.play();
    }
    emit changed();
}

void Hearing::locate(int64_t frame) {
    m_output.left();
    m_player.locate(frame);
    if (SharedTransport* const shared = m_output.led()) shared->locate(m_player.position());
    emit changed();
}

void Hearing::hear(Heard heard) {
    m_player.setHeard(heard);
    emit changed();
}

}  // namespace rivlen
