#include "app/hearing/SoundOutput.h"

#include <QSettings>
#include <algorithm>
#include <cstdlib>

#include "app/words/Say.h"

namespace rivlen {

namespace {
constexpr double kTogether = 0.1;  // seconds that the player may be away from a rolling transport
}  // namespace

SoundOutput::SoundOutput(Player& player, Work& work, QObject* parent)
    : QObject(parent), m_player(player), m_work(work), m_choice(remembered()) {}

OutputChoice SoundOutput::remembered() {
    const QSettings settings;
    OutputChoice choice;
    choice.kind = OutputChoice::Kind(std::clamp(settings.value("output/kind", 0).toInt(), 0, 3));
    choice.card = settings.value("output/card").toString().toStdString();
    const int frames = settings.value("output/frames", choice.frames).toInt();
    if (std::ranges::find(kBlockSizes, frames) != std::end(kBlockSizes)) choice.frames = frames;
    const int rate = settings.value("output/rate", 0).toInt();
    if (std::ranges::find(kCardRates, rate) != std::end(kCardRates)) choice.rate = rate;
    choice.transport = TransportUse(std::clamp(settings.value("output/transport", 0).toInt(), 0, kTransportUses - 1));
    return choice;
}

void SoundOutput::choose(const OutputChoice& choice) {
    if (choice == m_choice && !silentInstead()) return;
    m_choice = choice;
    QSettings settings;
    settings.setValue("output/kind", int(choice.kind));
    settings.setValue("output/card", QString::fromStdString(choice.card));
    settings.setValue("output/frames", choice.frames);
    settings.setValue("output/rate", choice.rate);
    settings.setValue("output/transport", int(choice.transport));
    m_going.reset();
    m_player.setDevice(makeDevice(choice, m_voice));
    emit changed();
}

bool SoundOutput::listen(const std::optional<VoiceInput>& voice) {
    if (!voice && !m_voice) return true;
    m_going.reset();
    m_player.setDevice(makeDevice(m_choice, voice));
    m_voice = m_player.listens() ? voice : std::nullopt;
    if (voice && !m_voice) m_player.setDevice(makeDevice(m_choice));
    emit changed();
    return m_voice == voice;
}

bool SoundOutput::silentInstead() const {
    return m_choice.kind != OutputChoice::Kind::Silent && m_player.deviceName() == makeSilentClock()->name();
}

QString SoundOutput::state() const {
    if (!m_player.isOpen()) return say("Nothing is open that could be heard.");
    const int own = m_player.sampleRate(), there = m_player.deviceRate();
    const QString now = there == own
                            ? say("Now: %1, at the recording's %2 Hz.").arg(said(m_player.deviceName())).arg(own)
                            : say("Now: %1, at %2 Hz, converted from the recording's %3.")
                                  .arg(said(m_player.deviceName()))
                                  .arg(there)
                                  .arg(own);
    if (!silentInstead()) return now;
    if (m_choice.kind == OutputChoice::Kind::Jack)
        return now +
               say(" No JACK server runs here: start one, or PipeWire with its JACK library, and choose it again.");
    return now + say(" There is no such sound card here, or it plays no such rate.");
}

void SoundOutput::left() {
    if (SharedTransport* const shared = m_player.transport()) shared->left();
    m_going.reset();
}

SharedTransport* SoundOutput::led() const {
    SharedTransport* const shared = m_player.transport();
    return shared && shared->use() == TransportUse::Lead ? shared : nullptr;
}

void SoundOutput::beat() {
    if (m_player.deviceLost()) {
        const QString name = said(m_player.deviceName());
        m_player.setDevice(makeDefaultDevice());
        m_voice.reset();
        m_work.warn(say("The sound output \"%1\" went away: playing goes on through \"%2\". View, Sound output… "
                        "chooses another.")
                        .arg(name, said(m_player.deviceName())));
        emit changed();
    }
    SharedTransport* const shared = m_player.transport();
    if (!shared) return;
    if (const auto wanted = shared->wanted()) {
        if (m_going != wanted) {
            m_player.locate(*wanted);
            m_going = wanted;
            emit changed();
        } else if (m_player.prepared()) {
            shared->reached(*wanted);
        }
        return;
    }
    m_going.reset();
    // It rolled before we came: from here on together.
    const int64_t there = shared->frame();
    if (shared->rolling() && m_player.playing() && there < m_player.frames() &&
        std::llabs(there - m_player.position()) > int64_t(kTogether * m_player.sampleRate()))
        m_player.locate(there);
}

}  // namespace rivlen
