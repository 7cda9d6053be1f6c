#pragma once
#include <QString>
#include <functional>
#include <optional>

#include "app/window/Desks.h"

namespace rivlen {

/// What would usually be done now, in a few words, and how it is done.
struct NextStep {
    QString text;
    std::function<void()> act;
};

/// Of the present reel at its stage; nothing while it is being read or split, or where nothing is usual.
/// deliver: asks for a folder and delivers what is ticked.
std::optional<NextStep> nextStep(Studio& studio, Desks& desks, const std::function<void()>& deliver);

}  // namespace rivlen
