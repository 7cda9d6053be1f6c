#pragma once

// Written by training/fit_content.py.
namespace rivlen {
inline constexpr double kContentOffset = -0.95333;
inline constexpr double kContentWeights[] = {1.3261, 1.8101, 1.2167, -0.1846, 0.90579, -1.2091, 2.6083};
inline constexpr double kContentMeans[] = {0.45121, -1.1218, 1.6696, 0.3084, 0.8491, 0.51458, 0.296};
inline constexpr double kContentSpreads[] = {0.22081, 1.32, 0.83054, 0.12339, 0.41047, 0.11063, 0.29592};
}  // namespace rivlen
