#pragma once
#include "app/views/TimeView.h"

namespace rivlen {

/// At Split: the stems one above the other along time, each as loud as it is, while they grow.
class StemsView : public TimeView {
    Q_OBJECT
public:
    StemsView(Document& document, Reels& reels, Hearing& hearing, TimeAxis& axis, QWidget* parent = nullptr);
    void setTall(bool tall);  ///< there is room, as the large picture stands elsewhere

protected:
    void paintPicture(QPainter& painter) override;
};

}  // namespace rivlen
