#include "app/widgets/KeySheet.h"

#include <QShortcut>
#include <QStringList>

#include "app/widgets/Strong.h"

namespace rivlen {

void KeySheet::add(const QString& does, std::vector<Key> keys, When when, const QString& shown) {
    QStringList names;
    for (Key& key : keys) {
        names << key.keys;
        auto& meanings = m_meanings[key.keys];
        if (meanings.empty()) {
            auto* shortcut = new QShortcut(QKeySequence(key.keys), m_window);
            QObject::connect(shortcut, &QShortcut::activated, m_window, [this, name = key.keys] { press(name); });
        }
        meanings.push_back({when, std::move(key.act)});
    }
    tell(shown.isEmpty() ? names.join(", ") : shown, does);
}

void KeySheet::press(const QString& keys) const {
    for (const Meaning& meaning : m_meanings.at(keys))
        if (!meaning.when || meaning.when()) return meaning.act();
}

QString KeySheet::html() const {
    QString text = "<table cellspacing=6>";
    for (const Row& r : m_rows)
        text += QString("<tr><td><b>%1</b></td><td style='padding-left:16px'>%2</td></tr>")
                    .arg(r.shown.toHtmlEscaped(), r.does.toHtmlEscaped());
    return strong(text + "</table>");
}

}  // namespace rivlen
