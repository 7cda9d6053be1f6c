#include "app/hearing/Headphones.h"

#include <QSettings>
#include <cmath>

#include "app/words/Say.h"

namespace rivlen {

Headphones::Headphones(Player& player, Work& work, QObject* parent) : QObject(parent), m_player(player), m_work(work) {
    const QSettings settings;
    m_on = settings.value("headphones/on", false).toBool();
    m_file = settings.value("headphones/responses").toString().toStdString();
}

void Headphones::set(bool on) {
    if (on == m_on) return;
    m_on = on;
    QSettings().setValue("headphones/on", m_on);
    follow();
    emit changed();
}

void Headphones::turn(double degrees) {
    m_yaw = degrees == 0 ? 0 : std::remainder(m_yaw + degrees, 360.0);
    give();
    emit changed();
}

const std::vector<Monitor>& monitors() {
    static const std::vector<Monitor> table = {{ChannelLayout::Own, QT_TRID_NOOP("what it is")},
                                               {ChannelLayout::Surround71, "7.1"},
                                               {ChannelLayout::Surround51, "5.1"},
                                               {ChannelLayout::Stereo, QT_TRID_NOOP("stereo")},
                                               {ChannelLayout::Mono, QT_TRID_NOOP("mono")}};
    return table;
}

void Headphones::turnTo(double degrees) {
    m_yaw = std::remainder(degrees, 360.0);
    give();
    emit changed();
}

void Headphones::setMonitor(ChannelLayout layout) {
    m_monitor = layout;
    m_player.setMonitor(layout);
    emit changed();
}

void Headphones::choose(const std::filesystem::path& file) { read(file); }

void Headphones::follow() {
    if (m_on && (!m_responses || m_responses->sampleRate() != m_player.sampleRate())) read(m_file);
    give();
}

void Headphones::read(const std::filesystem::path& file) {
    m_work.submit(
        Work::Queue::Reading, say("Reading head-related responses"),
        [this, file, rate = m_player.sampleRate()](Progress&, const Work::Post& post) {
            const auto set = std::make_shared<HeadResponses>(file.empty() ? HeadResponses::shipped() : file, rate);
            post([this, set, file] {
                m_file = file;
                m_responses = set;
                QSettings().setValue("headphones/responses", QString::fromStdString(file.string()));
                give();
                emit changed();
            });
        },
        [this](const JobQueue::Outcome& o) {
            if (o.done || m_responses) return;  // those that were heard before are heard on
            m_on = false;
            emit changed();
        });
}

void Headphones::give() {
    const bool ready = m_on && m_responses && m_responses->sampleRate() == m_player.sampleRate();
    m_player.setHeadphones(ready ? m_responses : nullptr, m_yaw);
}

}  // namespace rivlen
