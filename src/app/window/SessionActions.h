#pragma once
#include <QMainWindow>

#include "app/window/Studio.h"

namespace rivlen {

/// What the menus and a drop on the window do with sessions and recordings, and the questions that this needs.
class SessionActions : public QObject {
    Q_OBJECT
public:
    SessionActions(Studio& studio, QMainWindow* window);
    void addMenus(const std::function<void()>& cleanVoice);  ///< Session and Reel
    /// A session is opened, anything else is added.
    void take(const QStringList& files);
    /// Asks what becomes of edits that are not saved; false: the user stays with them.
    bool mayDiscard();

private:
    void openDialog();
    void save(bool as);
    void open(const QString& file);
    bool mayRead(const std::vector<std::filesystem::path>& files);
    Studio& m_studio;
    QMainWindow* m_window;
};

}  // namespace rivlen
