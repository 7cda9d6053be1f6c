#pragma once
#include <QLabel>
#include <QPushButton>
#include <array>

#include "app/CandidateDesk.h"

namespace rivlen {

/// The four candidates as buttons, with what can be done with them; during a blind comparison the labels to listen to.
class CandidateBar : public QWidget {
    Q_OBJECT
public:
    CandidateBar(CandidateDesk& desk, Controller& controller, QWidget* parent = nullptr);

private:
    void refresh();
    void press(int place);
    void menu(int place, const QPoint& at);
    CandidateDesk& m_desk;
    Controller& m_controller;
    std::array<QPushButton*, kCandidates> m_places;
    QPushButton *m_blind, *m_prefer;
    QLabel* m_text;
};

}  // namespace rivlen
