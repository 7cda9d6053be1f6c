#pragma once
#include <QCheckBox>
#include <QLabel>
#include <QPushButton>
#include <array>

#include "app/hearing/Hearing.h"
#include "app/reels/TakingApart.h"

namespace rivlen {

/// Which stems are taken further apart, what came of it, and how each part sounds alone.
class PartsControls : public QWidget {
    Q_OBJECT
public:
    PartsControls(Document& document, Reels& reels, TakingApart& parts, Hearing& hearing, QWidget* parent = nullptr);
    void refresh();

private:
    void hear(QPushButton* button, bool on);
    void hearNothing();  ///< of the parts: the reel plays as it is
    Document& m_document;
    Reels& m_reels;
    TakingApart& m_parts;
    Hearing& m_hearing;
    struct Row {
        std::string stem;
        QCheckBox* wanted;
        QLabel* state;
        std::vector<QPushButton*> hear;  ///< by part
    };
    std::vector<Row> m_rows;
    QPushButton* m_begin;
};

}  // namespace rivlen
