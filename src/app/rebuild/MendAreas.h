#pragma once
#include "app/rebuild/MendTool.h"
#include "app/rebuild/Mends.h"
#include "app/views/PictureOverlay.h"

namespace rivlen {

/// At Rebuild: areas of mends, shown on the Ownership picture, and marked there while the tool is active.
class MendAreas : public QObject, public PictureOverlay {
    Q_OBJECT
public:
    MendAreas(const Document& document, const Reels& reels, RebuildDesk& desk, Mends& mends, MendTool& tool,
              OwnershipView& view);
    void paint(QPainter& painter, const OwnershipView& view) override;
    bool press(QMouseEvent& e, const OwnershipView& view) override;
    bool move(QMouseEvent& e, const OwnershipView& view) override;
    bool release(QMouseEvent&) override;

private:
    bool mending() const;
    const Document& m_document;
    const Reels& m_reels;
    RebuildDesk& m_desk;
    Mends& m_mends;
    MendTool& m_tool;
    OwnershipView& m_view;
    std::vector<std::pair<double, double>> m_marked;  ///< (seconds, Hz) while an area is being marked
};

}  // namespace rivlen
