#pragma once
#include <set>

#include "app/reels/Treating.h"
#include "core/separation/Network.h"

namespace rivlen {

/// True when all of a network's stems have a place in the window.
bool fitsTheWindow(const NetworkCard& card);

/// Separates reels in the background, and finds what was separated before.
class Splitting : public QObject {
    Q_OBJECT
public:
    Splitting(Document& document, Reels& reels, Treating& treating, Work& work, QObject* parent = nullptr);

    void split();  ///< separates the current reel, once its treatments are through
    void split(const std::string& id);
    /// Reels that can be split and are not, in order. Kept until more is known of a reel: it looks at the disk.
    const std::vector<std::string>& unsplit();
    void splitAll();  ///< these, one after the other
    void cancel();
    /// The stems of a reel at its network and quality, when they were made before; null otherwise.
    std::shared_ptr<StemStore> finishedStems(const Reel& reel);
    /// After the current reel, its network or quality was chosen: finds what was split before.
    void reopen();
    void touched();  ///< the current reel's stems read otherwise than before

signals:
    void done(const std::string& id);  ///< a reel was split just now

private:
    struct Loaded;  ///< the network, kept between splits; touched by the queue's thread only
    void attach(const std::string& id);
    std::filesystem::path storeFolder(const Reel& reel) const;
    bool isSplit(const Reel& reel) const;  ///< or will be. Throws Error where its network is gone

    Document& m_document;
    Reels& m_reels;
    Treating& m_treating;
    Work& m_work;
    std::shared_ptr<Loaded> m_loaded;
    std::set<std::string> m_afterTreating;  ///< ids of reels that are to be split once their treatments are through
    std::optional<std::vector<std::string>> m_unsplit;
    std::map<std::string, int> m_jobs;  ///< by reel
};

}  // namespace rivlen
