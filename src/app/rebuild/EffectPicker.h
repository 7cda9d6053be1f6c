#pragma once
#include <QDialog>
#include <QLabel>
#include <QLineEdit>
#include <QListWidget>
#include <QPushButton>

#include "app/rebuild/EffectDesk.h"

namespace rivlen {

/// Which of the installed effects goes into the chain: by class, by typing a part of its name. It is tried before it is
/// let in.
class EffectPicker : public QDialog {
    Q_OBJECT
public:
    explicit EffectPicker(EffectDesk& effects, QWidget* parent = nullptr);

protected:
    bool eventFilter(QObject*, QEvent*) override;

private:
    void fill();
    void describe();
    void add();
    const EffectFacts* chosen() const;
    EffectDesk& m_effects;
    QLineEdit* m_search;
    QListWidget *m_kinds, *m_list;
    QLabel* m_about;
    QPushButton* m_add;
    std::vector<const EffectFacts*> m_shown;
    size_t m_filled = 0;  ///< effects that the classes were made of
};

}  // namespace rivlen
