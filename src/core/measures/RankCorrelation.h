#pragma once
#include <vector>

namespace rivlen {

/// Spearman's rank correlation of two series of one length, -1 ... 1; ties have their mean rank. 0 when one of them is
/// constant.
double rankCorrelation(const std::vector<double>& a, const std::vector<double>& b);

}  // namespace rivlen
