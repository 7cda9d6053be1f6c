#include "app/hearing/HeadTracker.h"

#include <QSettings>

#include "app/words/Say.h"
#include "core/space/HeadMessage.h"

namespace rivlen {

HeadTracker::HeadTracker(Headphones& headphones, Work& work, QObject* parent)
    : QObject(parent),
      m_headphones(headphones),
      m_work(work),
      m_port(QSettings().value("headphones/trackerPort", kHeadPort).toInt()) {
    connect(&m_socket, &QUdpSocket::readyRead, this, &HeadTracker::receive);
}

void HeadTracker::set(bool on) {
    m_socket.close();
    if (on && !m_socket.bind(QHostAddress::LocalHost, quint16(m_port)))
        m_work.warn(
            say("Port %1 is taken: close what listens there, or choose another one for the head tracker.").arg(m_port));
    emit changed();
}

void HeadTracker::setPort(int port) {
    m_port = port;
    QSettings().setValue("headphones/trackerPort", port);
    if (on()) set(true);
}

void HeadTracker::receive() {
    std::optional<double> yaw;
    while (m_socket.hasPendingDatagrams()) {  // only the newest counts
        QByteArray bytes(int(std::min<qint64>(m_socket.pendingDatagramSize(), 1500)), '\0');
        const qint64 size = m_socket.readDatagram(bytes.data(), bytes.size());
        if (size > 0)
            if (const auto now = yawOfMessage(std::string(bytes.constData(), size_t(size)))) yaw = now;
    }
    if (yaw) m_headphones.turnTo(*yaw);
}

}  // namespace rivlen
