#pragma once
#include <span>
#include <vector>

namespace rivlen {

/// Coefficients a[0] ... a[order - 1] of the predictor x[n] ~ sum a[k] x[n - 1 - k], by the autocorrelation method with
/// a Hann window and Levinson's recursion. White noise at -80 dB of the power keeps it stable; silence gives zeros.
std::vector<double> autoregression(std::span<const float> x, int order);

/// x[n] minus its prediction, for n = a.size() ... x.size() - 1; the first a.size() values are 0.
void predictionError(std::span<const float> x, const std::vector<double>& a, std::span<float> error);

/// Replaces the samples at the marked places by those that make the prediction error of all least (least squares
/// autoregressive interpolation: Janssen, Veldhuis and Vries 1986; Godsill and Rayner 1998, section 5.2). At least
/// a.size() known samples on either side are best.
void interpolate(std::span<float> x, const std::vector<int>& unknown, const std::vector<double>& a);

}  // namespace rivlen
