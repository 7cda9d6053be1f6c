#pragma once
#include <QComboBox>
#include <QPushButton>

#include "app/dispatch/CleanDesk.h"

namespace rivlen {

/// One press for a clean voice, and what it is for.
class CleanControls : public QWidget {
    Q_OBJECT
public:
    CleanControls(Document& document, CleanDesk& desk, QWidget* parent = nullptr);

private:
    void refresh();
    Document& m_document;
    CleanDesk& m_desk;
    QPushButton* m_clean;
    QComboBox* m_purpose;
};

/// What the button and the key do: a folder is asked for only where nothing may be written beside the recording.
void cleanVoiceOf(CleanDesk& desk, QWidget* window);

}  // namespace rivlen
