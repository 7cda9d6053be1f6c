#pragma once

namespace rivlen {

/// A rectangle in a picture, in shares of its width and height: 0, 0 is the upper left corner.
struct PictureBox {
    double x = 0, y = 0, width = 0, height = 0;

    double middleX() const { return x + width / 2; }
    double middleY() const { return y + height / 2; }
    bool operator==(const PictureBox&) const = default;
};

}  // namespace rivlen
