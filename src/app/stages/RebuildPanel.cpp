#include "app/stages/StagePanel.h"

namespace rivlen {

namespace {

class RebuildPanel : public StagePanel {
public:
    explicit RebuildPanel(Controller& controller) : StagePanel(controller, "What does the finished track sound like?") {
        addText("This stage is not built yet. It will hold:");
        for (const char* item : {"Lanes for the picture, the source, each stem and added sound, with clips, fades and automation",
                                 "A voice chain: high-pass, de-esser, compressor, limiter", "Ducking of the music under the voice",
                                 "Replacing the music, room tone for holes, retouching on the Ownership picture"})
            addText(QString("–  ") + item);
        m_column->addSpacing(8);
        addText("Until then the stems can be exported at Dispatch and mixed elsewhere; they sum back to the source.", false);
        m_column->addStretch();
    }
};

}  // namespace

StagePanel* makeRebuildPanel(Controller& controller) { return new RebuildPanel(controller); }

}  // namespace rivlen
