#include "app/window/FollowPicture.h"

#include "app/document/Stage.h"

namespace rivlen {

void followPicture(PictureDock& dock, FollowDesk& follow, Document& document, Hearing& hearing) {
    QObject::connect(&dock, &PictureDock::boxMarked, &follow, [&dock, &follow](const PictureBox& box) {
        const QImage& image = dock.shown().image;
        if (!image.isNull()) follow.setAspect(double(image.width()) / image.height());
        follow.mark(box, dock.shown().from);
    });
    const auto show = [&dock, &follow, &document] {
        const bool here = document.session().stage == stage::rebuild;
        const FollowedFrame* frame = here ? follow.at(dock.shown().from) : nullptr;
        dock.setBox(frame ? std::optional(frame->box) : std::nullopt, frame && frame->seen);
        dock.setMarking(here && follow.marking());
        if (here && (follow.marking() || follow.byHand())) dock.setWanted(true);
    };
    QObject::connect(&follow, &FollowDesk::changed, &dock, show);
    QObject::connect(&dock, &PictureDock::frameShown, &follow, show);
    const auto last = std::make_shared<std::optional<QPointF>>();
    QObject::connect(&dock, &PictureDock::pointed, &follow, [last](double x, double y) { *last = QPointF(x, y); });
    // A pointer that rests says as much as one that moves.
    QObject::connect(&dock, &PictureDock::frameShown, &follow, [last, &follow, &hearing] {
        const Player& player = hearing.player();
        if (follow.byHand() && player.playing() && *last)
            follow.point((*last)->x(), (*last)->y(), double(player.position()) / player.sampleRate());
    });
    QObject::connect(&hearing, &Hearing::changed, &follow, [last, &follow, &hearing] {
        if (follow.byHand() && !hearing.player().playing()) follow.endPointing();
    });
}

}  // namespace rivlen
