#pragma once
#include <QRegularExpression>

#include "app/widgets/ValueRow.h"
#include "app/words/Say.h"
#include "core/base/Error.h"

namespace rivlen {

/// A row for a number that belongs to no table of settings.
inline ValueRow* makePlainRow(const QString& id, const QString& name, const QString& unit, double low, double high,
                              double step, double usual, int decimals, const QString& explanation) {
    ValueRow::Range range{id, name, explanation, low, high, step, usual, {}, {}};
    range.describe = [unit, decimals](double v) {
        return QString("%1 %2").arg(v, 0, 'f', decimals).arg(unit).trimmed();
    };
    range.parse = [=](const QString& text) {
        QString number = text;
        number.remove(QRegularExpression("[a-zA-Z%]"));
        bool good = false;
        const double v = number.trimmed().toDouble(&good);
        if (!good || v < low || v > high)
            throw Error(Error::Kind::Usage, say("\"%1\" is not a value for %2: give %3 to %4 %5")
                                                    .arg(text, name)
                                                    .arg(low)
                                                    .arg(high)
                                                    .arg(unit)
                                                    .trimmed()
                                                    .toStdString() +
                                                ".");
        return v;
    };
    return new ValueRow(range);
}

}  // namespace rivlen
