#pragma once
#include <QComboBox>
#include <QDoubleSpinBox>
#include <QPushButton>

#include "app/dispatch/DispatchDesk.h"

namespace rivlen {

/// What goes to the next department: lanes with event lists, or the stems alone.
class HandOverControls : public QWidget {
    Q_OBJECT
public:
    HandOverControls(Document& document, Reels& reels, Work& work, DispatchDesk& desk, QWidget* parent = nullptr);
    void refresh();

private:
    Document& m_document;
    Reels& m_reels;
    Work& m_work;
    DispatchDesk& m_desk;
    QDoubleSpinBox* m_handles;
    QPushButton *m_handOver, *m_export;
    QComboBox* m_stemFormat;
};

}  // namespace rivlen
