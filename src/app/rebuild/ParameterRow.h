#pragma once
#include "app/widgets/ValueRow.h"
#include "app/words/Say.h"
#include "core/base/Parameter.h"

namespace rivlen {

/// A row for a setting out of a table. name is for objects: "chain_threshold".
template <typename T>
ValueRow* makeParameterRow(const Parameter<T>& p, const QString& name) {
    ValueRow::Range range{
        name, *p.name ? said(p.name) : say("   gain"), said(p.explanation), p.minimum, p.maximum, p.step, p.usual, {},
        {}};
    range.describe = [&p](double v) { return said(describeValue(p, v)); };
    range.parse = [&p](const QString& text) { return parseValue(p, text.toStdString()); };
    return new ValueRow(range);
}

}  // namespace rivlen
