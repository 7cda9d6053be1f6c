#pragma once
#include <QTimer>

#include "app/rebuild/RebuildMix.h"
#include "app/reels/Splitting.h"
#include "core/rebuild/Mend.h"

namespace rivlen {

/// Mends, and the patches that they lay on the stems, computed once nothing changes any more.
class Mends : public QObject {
    Q_OBJECT
public:
    Mends(const Document& document, const Reels& reels, Splitting& splitting, RebuildDesk& desk, RebuildMix& mix,
          QObject* parent = nullptr);
    void add(Mend mend);
    bool busy() const { return m_wait.isActive(); }

private:
    void follow();
    const Document& m_document;
    const Reels& m_reels;
    Splitting& m_splitting;
    RebuildDesk& m_desk;
    RebuildMix& m_mix;
    std::vector<Mend> m_mended;
    uint64_t m_mendedStems = 0;  ///< by StemStore::serial()
    QTimer m_wait;
};

}  // namespace rivlen
