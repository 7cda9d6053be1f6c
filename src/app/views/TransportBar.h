#pragma once
#include <QLabel>
#include <QPushButton>
#include <QWidget>
#include <array>

#include "app/Controller.h"

namespace rivlen {

/// Bottom of the window: play, loop, time, what is heard, level match, meters.
class TransportBar : public QWidget {
    Q_OBJECT
public:
    explicit TransportBar(Controller& controller, QWidget* parent = nullptr);
    /// Called at the picture rate: position and meters.
    void tick();

private:
    void refresh();
    Controller& m_controller;
    QPushButton *m_play, *m_loop, *m_match;
    QLabel* m_time;
    std::array<QPushButton*, kHeardCount> m_heard;
    class Meter;
    Meter* m_meter;
};

QString heardName(Heard heard);

}  // namespace rivlen
