#pragma once
#include <QBoxLayout>
#include <QWidget>

namespace rivlen {

/// A window, for another screen perhaps, in which a view can stand that else has its place in the main window. The main
/// window's keys work in it; closing it takes the view back. A view without a place there is hidden with its window.
class OwnWindow : public QWidget {
    Q_OBJECT
public:
    /// above: shown over the view while it stands here, such as a time ruler; may be null.
    OwnWindow(const QString& id, const QString& title, QWidget* view, QWidget* above, QWidget* main);
    /// The place that the view has in the main window.
    void setHome(QBoxLayout* home);

    bool holds() const { return m_out; }
    void set(bool out);
    void remember() const;  ///< in the user's settings: whether it is out, and where
    void restore();

signals:
    void changed(bool out);

protected:
    void closeEvent(QCloseEvent*) override;

private:
    QString m_id;
    QWidget* m_view;
    QBoxLayout* m_home = nullptr;
    int m_stretch = 0;
    QWidget* m_place = nullptr;  ///< in the home, where the view belongs
    bool m_out = false;
};

}  // namespace rivlen
