#pragma once
#include <QLabel>
#include <QVBoxLayout>
#include <QWidget>

namespace rivlen {

/// The controls of one stage, on the right of the window.
class StagePanel : public QWidget {
    Q_OBJECT
public:
    explicit StagePanel(const QString& question, QWidget* parent = nullptr);
    /// Called when anything in the document or its state has changed.
    virtual void refresh() {}

signals:
    void tableWanted();             ///< all reels are to be shown as a table, or no longer
    void differenceWanted();        ///< the Difference picture is to be shown, or hidden
    void strengthWanted(bool on);   ///< strength over time is to be shown at Rebuild
    void snappingChanged(bool on);  ///< clips keep to borders, or move freely

protected:
    QLabel* addText(const QString& text = {}, bool quiet = true);
    QLabel* addHeading(const QString& text);
    QVBoxLayout* m_column;
};

}  // namespace rivlen
