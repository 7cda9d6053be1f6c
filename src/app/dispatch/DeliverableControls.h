#pragma once
#include <QCheckBox>
#include <QComboBox>
#include <QGridLayout>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QStackedWidget>

#include "app/dispatch/DispatchDesk.h"

namespace rivlen {

/// The recipe of the chosen deliverable, or of all that are selected, and the button that sends them off.
class DeliverableControls : public QWidget {
    Q_OBJECT
public:
    DeliverableControls(Document& document, Reels& reels, DeliverablesDesk& desk, DispatchDesk& dispatch,
                        QWidget* parent = nullptr);
    void refresh();

signals:
    void dispatched();  ///< something was put into the queue

private:
    void buildTop(QBoxLayout* column);
    void buildRecipe(QBoxLayout* column);
    void buildSets();
    void connectRecipe();
    void showRecipe(const Deliverable& d);
    template <typename Set>
    void typed(QLineEdit* box, const QString& name, Set set);
    template <typename Set>
    void picked(QComboBox* box, const QString& name, Set set);
    std::optional<double> figure(QString text, double low, double high, const QString& name);
    std::optional<std::pair<double, double>> span(const QString& text);

    Document& m_document;
    Reels& m_reels;
    DeliverablesDesk& m_desk;
    DispatchDesk& m_dispatch;
    QMenu* m_sets;
    QLineEdit *m_name, *m_span, *m_loudness, *m_ceiling, *m_language, *m_file;
    QComboBox *m_holds, *m_strength, *m_measured, *m_format, *m_rate, *m_layout, *m_dither;
    QCheckBox *m_mono, *m_keep;
    QStackedWidget* m_more;  ///< what only sounds, or only pictures ask for
    QLabel *m_preview, *m_moreLabel, *m_of;
    QPushButton *m_go, *m_loop;
};

}  // namespace rivlen
