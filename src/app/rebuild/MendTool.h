#pragma once
#include <QObject>

#include "core/rebuild/Mend.h"

namespace rivlen {

/// What the pointer does on the Ownership picture at Rebuild: how an area is marked and what becomes of it.
class MendTool : public QObject {
    Q_OBJECT
public:
    using QObject::QObject;
    bool active = false;
    Mend next;  ///< its area has only kind, brush and harmonics
    void set() { emit changed(); }

signals:
    void changed();
};

}  // namespace rivlen
