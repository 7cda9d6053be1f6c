#pragma once
#include <map>
#include <memory>
#include <optional>

#include "app/document/Document.h"
#include "core/delivery/Inspection.h"
#include "core/diagnosis/Diagnosis.h"
#include "core/media/MediaInfo.h"
#include "core/separation/StemStore.h"
#include "core/treatment/TreatedFile.h"

namespace rivlen {

/// What the program knows of a reel while it is open: made again from the files, never saved.
struct ReelFacts {
    std::optional<MediaInfo> info;
    std::shared_ptr<LevelTrack> levels;  ///< of the source
    std::optional<Inspection> inspection;
    std::optional<Diagnosis> diagnosis;
    bool damaged() const;  ///< there is a place that cannot be decoded
    std::optional<TreatedFile> treated;
    std::shared_ptr<LevelTrack> treatedLevels;  ///< of what the treatments made of it; null: there are none
    std::optional<TreatedStems> treatedStems;
    std::shared_ptr<StemStore> stems;
    std::map<std::string, std::shared_ptr<StemStore>> parts;  ///< by stem, what was taken further apart
    bool reading = false, splitting = false, missing = false;
    double speed = 0;  ///< of the split done last, as a multiple of real time; 0: not known

    const LevelTrack* shownLevels() const { return treatedLevels ? treatedLevels.get() : levels.get(); }
};

/// The facts of all reels of the session. Whoever shows them reads; only the classes of this folder write().
class Reels : public QObject {
    Q_OBJECT
public:
    explicit Reels(Document& document, QObject* parent = nullptr);

    const ReelFacts* current() const;  ///< of the reel that is worked on, or null
    const ReelFacts& of(const std::string& id) const;

    /// What was found in a reel and not dismissed; where there is only music, without what is a fault of voices alone.
    std::vector<Finding> findings(const Reel& reel) const;
    /// What a reel holds: as the user says, else as it was found.
    std::optional<Content> content(const Reel& reel) const;
    /// True while a reel's treatments are not at work on the whole of it.
    bool treatmentPending(const Reel& reel) const;
    /// What is separated: the recording, or what its treatments made of it.
    std::filesystem::path splitFile(const Reel& reel) const;
    /// What a reel's stems sum to: as splitFile(), without what treatments took from single stems.
    std::filesystem::path heardFile(const Reel& reel) const;

    ReelFacts& write(const std::string& id) { return m_facts[id]; }
    void tellRead() { emit read(); }
    void tellInformed(const std::string& id);
    void tellDiagnosed(const std::string& id) { emit diagnosed(id); }
    /// The reel's stems are others, or read otherwise, than before.
    void tellStemsReplaced(const std::string& id);
    void tellStemsGrown() { emit stemsChanged(); }

signals:
    void read();                           ///< more is known of a reel
    void informed(const std::string& id);  ///< its length and rate are known now
    void diagnosed(const std::string& id);
    void stemsReplaced(const std::string& id);  ///< for those who hold them; before stemsChanged()
    void stemsChanged();                        ///< a separation began, grew or ended

private:
    const Document& m_document;
    std::map<std::string, ReelFacts> m_facts;
};

}  // namespace rivlen
