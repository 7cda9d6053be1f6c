#pragma once
#include <QCheckBox>
#include <QLabel>
#include <QPushButton>
#include <array>

#include "app/reels/TakingApart.h"

namespace rivlen {

/// Which stems are taken further apart, and what came of it.
class PartsControls : public QWidget {
    Q_OBJECT
public:
    PartsControls(Document& document, Reels& reels, TakingApart& parts, QWidget* parent = nullptr);
    void refresh();

private:
    Document& m_document;
    Reels& m_reels;
    TakingApart& m_parts;
    struct Row {
        std::string stem;
        QCheckBox* wanted;
        QLabel* state;
    };
    std::vector<Row> m_rows;
    QPushButton* m_begin;
};

}  // namespace rivlen
