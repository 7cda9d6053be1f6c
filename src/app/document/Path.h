#pragma once
#include <QString>
#include <filesystem>

namespace rivlen {

inline std::filesystem::path toPath(const QString& text) { return std::filesystem::path(text.toStdString()); }

}  // namespace rivlen
