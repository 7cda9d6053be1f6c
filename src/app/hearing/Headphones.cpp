#include "app/hearing/Headphones.h"

#include <QSettings>
#include <cmath>

#include "core/base/Error.h"

namespace rivlen {

Headphones::Headphones(Player& player, Work& work, QObject* parent) : QObject(parent), m_player(player), m_work(work) {
    const QSettings settings;
    m_on = settings.value("headphones/on", false).toBool();
    m_file = settings.value("headphones/responses").toString().toStdString();
}

void Headphones::set(bool on) {
    if (on == m_on) return;
    m_on = on;
    if (!apply()) m_on = false;
    QSettings().setValue("headphones/on", m_on);
    emit changed();
}

void Headphones::turn(double degrees) {
    m_yaw = degrees == 0 ? 0 : std::remainder(m_yaw + degrees, 360.0);
    apply();
    emit changed();
}

void Headphones::choose(const std::filesystem::path& file) {
    const auto before = m_file;
    m_file = file;
    m_responses.reset();
    if (!apply()) {
        m_file = before;
        apply();
    }
    QSettings().setValue("headphones/responses", QString::fromStdString(m_file.string()));
    emit changed();
}

void Headphones::follow() {
    if (m_on) apply();
}

bool Headphones::apply() {
    try {
        if (!m_responses || m_responses->sampleRate() != m_player.sampleRate())
            m_responses = std::make_shared<HeadResponses>(m_file.empty() ? HeadResponses::shipped() : m_file,
                                                          m_player.sampleRate());
    } catch (const Error& e) {
        m_work.warn(QString::fromStdString(e.what()));
        m_player.setHeadphones(nullptr, 0);
        return false;
    }
    m_player.setHeadphones(m_on ? m_responses : nullptr, m_yaw);
    return true;
}

}  // namespace rivlen
