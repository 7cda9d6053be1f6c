#pragma once
#include <QLabel>
#include <QWidget>

#include "app/weigh/WeighDesk.h"

namespace rivlen {

class BandBiasCurve;
class SettingRow;

/// All settings of the strength that is worked on: a row for each of the parameter table, the Band bias, what they do
/// in words.
class StrengthControls : public QWidget {
    Q_OBJECT
public:
    StrengthControls(Document& document, Reels& reels, Hearing& hearing, Work& work, WeighDesk& desk,
                     QWidget* parent = nullptr);

private:
    void refresh();
    Document& m_document;
    Reels& m_reels;
    Hearing& m_hearing;
    SettingRow* m_room = nullptr;
    std::vector<SettingRow*> m_ofAmbience;  ///< Distractions, Place
    BandBiasCurve* m_curve;
    QLabel *m_why, *m_loudness;
};

}  // namespace rivlen
