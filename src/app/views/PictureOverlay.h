#pragma once
#include <QMouseEvent>
#include <QPainter>

namespace rivlen {

class OwnershipView;

/// What a stage lays over the Ownership picture; it may take the pointer there.
class PictureOverlay {
public:
    virtual ~PictureOverlay() = default;
    virtual void paint(QPainter& painter, const OwnershipView& view) = 0;
    /// Each says whether the pointer is the overlay's from the press to the release.
    virtual bool press(QMouseEvent&, const OwnershipView&) { return false; }
    virtual bool move(QMouseEvent&, const OwnershipView&) { return false; }
    virtual bool release(QMouseEvent&) { return false; }
};

}  // namespace rivlen
