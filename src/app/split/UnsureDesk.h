#pragma once
#include "app/hearing/Hearing.h"
#include "core/separation/UnsureMoments.h"

namespace rivlen {

/// The moments of the present reel's split that the network was unsure of, stepped through and heard.
class UnsureDesk : public QObject {
    Q_OBJECT
public:
    UnsureDesk(Document& document, Reels& reels, Hearing& hearing, QObject* parent = nullptr);

    const std::vector<UnsureMoment>& moments() const { return m_moments; }  ///< none while it is being split
    int chosen() const { return m_chosen; }                                 ///< -1: none
    void hear(int moment);                                                  ///< chooses it and plays it in a loop
    void step(int direction);

signals:
    void changed();

private:
    void follow();
    Document& m_document;
    Reels& m_reels;
    Hearing& m_hearing;
    std::vector<UnsureMoment> m_moments;
    uint64_t m_of = 0;  ///< StemStore::serial() that they were found in; 0: none
    int m_chosen = -1;
};

}  // namespace rivlen
