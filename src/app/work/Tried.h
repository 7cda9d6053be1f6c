#pragma once
#include "app/work/Work.h"
#include "core/base/Error.h"

namespace rivlen {

/// Does something that may be refused; false, and a notice, when it was.
template <typename Action>
bool tried(Work& work, Action action) {
    try {
        action();
        return true;
    } catch (const Error& e) {
        work.warn(QString::fromStdString(e.what()));
        return false;
    }
}

}  // namespace rivlen
