#pragma once
#include <vector>

#include "core/space/MixFormat.h"

namespace rivlen {

/// Channels of full-sphere ambisonics of an order: (order + 1)^2.
inline int ambisonicChannels(int order) { return (order + 1) * (order + 1); }

/// P_l(x), l = 0 ... most.
std::vector<double> legendre(int most, double x);

/// So many directions spread evenly over the sphere, on a spiral of equal areas.
std::vector<Direction> evenDirections(int count);

/// The real spherical harmonics of a direction, in ACN order with SN3D normalisation (AmbiX: Nachbar, Zotter, Deleflie
/// and Sontacchi, "AmbiX - a suggested ambisonics format", 2011): Y_l^m = N_l^|m| P_l^|m|(sin elevation) times cos(m
/// azimuth) for m >= 0, sin(|m| azimuth) for m < 0, with N = sqrt((2 - delta_m) (l - |m|)! / (l + |m|)!) and P without
/// the Condon-Shortley phase.
std::vector<double> sphericalHarmonics(int order, const Direction& at);

/// What a sound that covers a cap of the sphere evenly, so many degrees across (0 ... 360), has of each degree l = 0
/// ... order in place of 1: (P_(l-1)(cos a) - P_(l+1)(cos a)) / ((2 l + 1) (1 - cos a)) with a half of the angle, the
/// mean of P_l over the cap.
std::vector<double> capWeights(int order, double acrossDegrees);

}  // namespace rivlen
