#pragma once
#include <QComboBox>
#include <QLabel>
#include <QListWidget>
#include <QPushButton>

#include "app/intake/TreatmentDesk.h"

namespace rivlen {

/// The page Faults of Intake: what the reel holds, what was found in it, and what is to be done about it.
class FaultControls : public QWidget {
    Q_OBJECT
public:
    FaultControls(Document& document, Reels& reels, TreatmentDesk& desk, QWidget* parent = nullptr);

signals:
    void treatmentWanted(const QString& id);  ///< its amount is to be adjusted

private:
    void refresh();
    void refreshButtons();
    const Finding* at(int row) const { return row >= 0 && row < int(m_found.size()) ? &m_found[size_t(row)] : nullptr; }

    Document& m_document;
    Reels& m_reels;
    TreatmentDesk& m_desk;
    std::vector<Finding> m_found;
    QComboBox* m_content;
    QLabel *m_heading, *m_about;
    QListWidget* m_list;
    QPushButton *m_accept, *m_adjust, *m_dismiss, *m_all;
};

}  // namespace rivlen
