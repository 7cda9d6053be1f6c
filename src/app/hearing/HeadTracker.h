#pragma once
#include <QUdpSocket>

#include "app/hearing/Headphones.h"

namespace rivlen {

/// Listens for a head tracker (HeadMessage.h) on this machine, and turns the head that the headphones hear by. Nothing
/// is listened to until the user asks for it; no other machine can send.
class HeadTracker : public QObject {
    Q_OBJECT
public:
    HeadTracker(Headphones& headphones, Work& work, QObject* parent = nullptr);
    bool on() const { return m_socket.state() == QAbstractSocket::BoundState; }
    void set(bool on);
    int port() const { return m_port; }
    void setPort(int port);  ///< remembered; listens there from now on when it is on

signals:
    void changed();

private:
    void receive();
    Headphones& m_headphones;
    Work& m_work;
    QUdpSocket m_socket;
    int m_port;
};

}  // namespace rivlen
