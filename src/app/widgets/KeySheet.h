#pragma once
#include <QString>
#include <QWidget>
#include <functional>
#include <map>
#include <vector>

namespace rivlen {

/// The window's shortcuts: one row both acts and stands on the help sheet.
class KeySheet {
public:
    struct Key {
        QString keys;
        std::function<void()> act;
    };
    /// When a row's keys mean what it says; the same key may mean something else at another time.
    using When = std::function<bool()>;

    explicit KeySheet(QWidget* window) : m_window(window) {}

    /// shown: what the sheet says instead of the keys one after the other.
    void add(const QString& does, std::vector<Key> keys, When when = {}, const QString& shown = {});
    /// Of keys that act elsewhere, since they are held or belong to a menu or a control.
    void tell(const QString& shown, const QString& does) { m_rows.push_back({shown, does}); }
    QString html() const;

private:
    struct Meaning {
        When when;
        std::function<void()> act;
    };
    struct Row {
        QString shown, does;
    };
    void press(const QString& keys) const;

    QWidget* m_window;
    std::vector<Row> m_rows;
    std::map<QString, std::vector<Meaning>> m_meanings;  ///< by keys
};

}  // namespace rivlen
