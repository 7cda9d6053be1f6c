#pragma once
#include "app/document/SessionFile.h"
#include "app/reels/Splitting.h"
#include "app/split/MarkDesk.h"
#include "app/words/Say.h"
#include "app/work/OwnWork.h"
#include "core/learning/MarkedSounds.h"

namespace rivlen {

/// Learning the scene of the present reel: from its marks and those of the reels in its group, or without any from what
/// Rivlen proposes. What is kept becomes a file beside the session and the reel's choice.
class SceneDesk : public QObject {
    Q_OBJECT
public:
    SceneDesk(Document& document, Reels& reels, SessionFile& file, Splitting& splitting, MarkDesk& marks, Work& work,
              QObject* parent = nullptr);

    QString hindrance() const;   ///< why learning cannot begin; empty when it can
    bool fromProposals() const;  ///< nothing is marked: what is proposed would serve
    void learn();                ///< begins, or cancels what is under way
    bool usesScene() const { return m_document.reel() && !m_document.reel()->scene.empty(); }
    bool learning() const { return m_job >= 0; }
    double fraction() const;
    /// What the last learning of the present reel said, or what its scene brought.
    QString said() const;
    /// Those that the session's reels use, each once.
    std::vector<std::filesystem::path> scenes() const;
    /// Of the present reel; an empty path is the network as it came.
    void use(const std::filesystem::path& scene);
    /// How many other reels are in the group of the present one, and do not use its scene.
    int othersInGroup() const;
    void useInGroup();
    LearnSettings settings;  ///< of what is begun next

signals:
    void changed();

private:
    std::vector<MarkedSpan> spans(std::vector<SceneSpan>& origins) const;
    std::filesystem::path newFile(const Reel& reel) const;
    void take(const std::string& id, const Scene& scene, const SceneOutcome& outcome);

    Document& m_document;
    Reels& m_reels;
    SessionFile& m_file;
    Splitting& m_splitting;
    MarkDesk& m_marks;
    Work& m_work;
    OwnWork m_own;
    int m_job = -1;
    std::map<std::string, QString> m_said;  ///< by reel
};

}  // namespace rivlen
