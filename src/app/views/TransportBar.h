#pragma once
#include <QLabel>
#include <QPushButton>
#include <QWidget>
#include <array>

#include "app/document/Document.h"
#include "app/hearing/Hearing.h"
#include "app/reels/Reels.h"

namespace rivlen {

/// Bottom of the window: play, loop, time, what is heard, level match, meters.
class TransportBar : public QWidget {
    Q_OBJECT
public:
    explicit TransportBar(Document& document, Reels& reels, Hearing& hearing, QWidget* parent = nullptr);
    /// Called at the picture rate: position and meters.
    void tick();

private:
    void refresh();
    Document& m_document;
    Reels& m_reels;
    Hearing& m_hearing;
    QPushButton *m_play, *m_loop, *m_match;
    QLabel* m_time;
    std::array<QPushButton*, kHeardCount> m_heard;
    class Meter;
    Meter* m_meter;
};

QString heardName(Heard heard);

}  // namespace rivlen
