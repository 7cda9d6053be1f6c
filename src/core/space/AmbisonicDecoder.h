#pragma once
#include "core/space/MixFormat.h"

namespace rivlen {

/// Gains from the channels of ambisonics (ACN, SN3D) of an order to loudspeakers, by loudspeaker then channel.
///
/// All-round decoding (Zotter and Frank, "All-round ambisonic panning and decoding", 2012): sampled at many evenly
/// spread virtual loudspeakers, each of which is panned to the real ones by VBAP; the degrees are weighed for the
/// longest energy vector (max rE, same paper). A sound from everywhere alike has the power that it had in W.
std::vector<double> ambisonicDecoder(int order, const std::vector<Speaker>& speakers);

/// Weights of the degrees 0 ... order that make the energy vector longest: P_l(cos(137.9 / (order + 1.51))).
std::vector<double> maxReWeights(int order);

}  // namespace rivlen
