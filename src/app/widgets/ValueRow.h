#pragma once
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QSlider>
#include <QWidget>
#include <functional>

namespace rivlen {

/// One value: name, slider, typed value with unit, reset. Its explanation is told when the pointer or the keyboard
/// comes to it.
class ValueRow : public QWidget {
    Q_OBJECT
public:
    struct Range {
        QString id, name, explanation;
        double minimum, maximum, step, usual;
        std::function<QString(double)> describe;      ///< with its unit
        std::function<double(const QString&)> parse;  ///< throws std::exception with a sentence for the user
    };
    /// name stands in place of the label with the range's name, when it is given.
    explicit ValueRow(Range range, QWidget* name = nullptr, QWidget* parent = nullptr);

    /// Shows a value; text stands in place of the value's own when it is not empty.
    void show(double value, const QString& text = {});
    void setExplanation(const QString& sentence);
    void setUsable(bool usable);

signals:
    void set(double value, bool dragging);
    void released();
    void refused(const QString& sentence);
    void explained(const QString& sentence);

protected:
    void enterEvent(QEnterEvent*) override;
    bool eventFilter(QObject*, QEvent*) override;

private:
    Range m_range;
    QSlider* m_slider;
    QLineEdit* m_value;
    QPushButton* m_reset;
};

}  // namespace rivlen
