#pragma once
#include <QPushButton>

#include "app/document/Document.h"
#include "app/work/Work.h"

namespace rivlen {

/// Opens the menu of presets: use one, keep the present setting as one, remove one's own, give the setting to all
/// reels.
class PresetButton : public QPushButton {
    Q_OBJECT
public:
    explicit PresetButton(Document& document, Work& work, QWidget* parent = nullptr);

private:
    void fill();
    Document& m_document;
    Work& m_work;
    QMenu* m_menu;
};

/// Asks for a name and keeps a setting as a preset of one's own.
void keepAsPreset(Work& work, const IsolationSettings& settings, QWidget* parent);

}  // namespace rivlen
