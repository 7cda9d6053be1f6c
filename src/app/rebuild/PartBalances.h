#pragma once
#include <QBoxLayout>
#include <QComboBox>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>

#include "app/rebuild/PartTools.h"

namespace rivlen {

/// The page of stems in parts: laid out, an instrumental in one step, levels against each other, balances kept and
/// used again, another reel's remix.
class PartBalances : public QWidget {
    Q_OBJECT
public:
    PartBalances(const Document& document, RebuildDesk& desk, PartTools& tools, QWidget* parent = nullptr);

private:
    struct Section {
        std::string stem;
        QPushButton *lay, *use, *take, *keep, *remove;
        QComboBox *balances, *reels;
        QLineEdit* name;
        std::vector<PartBalance> known;
    };
    void addSection(QBoxLayout* column, const std::string& stem);
    void reload(Section& section);
    void refresh();
    const PartBalance* chosen(const Section& section) const;

    const Document& m_document;
    RebuildDesk& m_desk;
    PartTools& m_tools;
    std::vector<std::unique_ptr<Section>> m_sections;
    QPushButton* m_instrumental = nullptr;
    QLabel* m_over;
};

}  // namespace rivlen
