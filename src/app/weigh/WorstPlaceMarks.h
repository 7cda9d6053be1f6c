#pragma once
#include "app/views/PictureOverlay.h"
#include "app/weigh/WeighDesk.h"

namespace rivlen {

/// At Weigh: where spill and damage are worst, marked on the Ownership picture.
class WorstPlaceMarks : public QObject, public PictureOverlay {
    Q_OBJECT
public:
    WorstPlaceMarks(const Document& document, WeighDesk& desk, OwnershipView& view);
    void paint(QPainter& painter, const OwnershipView& view) override;

private:
    const Document& m_document;
    WeighDesk& m_desk;
};

}  // namespace rivlen
