#pragma once
#include <QDoubleSpinBox>
#include <QLabel>
#include <QListWidget>
#include <QPushButton>

#include "app/hearing/Hearing.h"
#include "app/reels/Splitting.h"
#include "app/weigh/StrengthDesk.h"

namespace rivlen {

/// Strength over time and over reels: the regions with their names and fades, what is drawn, giving a strength to other
/// reels.
class OverTimeControls : public QWidget {
    Q_OBJECT
public:
    OverTimeControls(Document& document, Reels& reels, Splitting& splitting, Hearing& hearing, Work& work,
                     StrengthDesk& desk, QWidget* parent = nullptr);

private:
    void refresh();
    Document& m_document;
    Reels& m_reels;
    Splitting& m_splitting;
    Hearing& m_hearing;
    Work& m_work;
    StrengthDesk& m_desk;
    QListWidget* m_regions;
    QDoubleSpinBox* m_fade;
    QPushButton *m_add, *m_remove, *m_copy, *m_undraw, *m_toReels;
    QLabel *m_drawn, *m_why;
};

}  // namespace rivlen
