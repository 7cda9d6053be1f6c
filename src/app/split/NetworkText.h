#pragma once
#include <QString>

#include "core/separation/NetworkCard.h"

namespace rivlen {

/// What a network is good for and costs at a quality ("fine" or "quick"), in one or two sentences, from its card.
QString qualityInWords(const NetworkCard& card, const QString& quality);

/// The whole card as rich text: purpose, stems, measured quality, cross-talk, speed, training, licence.
QString cardInFull(const NetworkCard& card, bool shipped);

}  // namespace rivlen
