#pragma once
#include <QLabel>
#include <QPushButton>
#include <array>

#include "app/reels/Splitting.h"
#include "app/weigh/CandidateDesk.h"

namespace rivlen {

/// The four candidates as buttons, with what can be done with them; during a blind comparison the labels to listen to.
class CandidateBar : public QWidget {
    Q_OBJECT
public:
    CandidateBar(CandidateDesk& desk, Document& document, Reels& reels, Splitting& splitting, Work& work,
                 QWidget* parent = nullptr);

private:
    void refresh();
    void press(int place);
    void menu(int place, const QPoint& at);
    CandidateDesk& m_desk;
    Document& m_document;
    Reels& m_reels;
    Splitting& m_splitting;
    Work& m_work;
    std::array<QPushButton*, kCandidates> m_places;
    QPushButton *m_blind, *m_prefer;
    QLabel* m_text;
};

}  // namespace rivlen
