#pragma once
#include <optional>

#include "app/document/Document.h"
#include "app/hearing/Hearing.h"
#include "app/reels/Reels.h"
#include "app/work/Work.h"
#include "core/isolation/BlindTest.h"

namespace rivlen {

/// Candidates A to D of the present reel: kept settings, switched while they play, openly or blind.
class CandidateDesk : public QObject {
    Q_OBJECT
public:
    explicit CandidateDesk(Document& document, Reels& reels, Hearing& hearing, Work& work, QObject* parent = nullptr);

    static QString letter(int candidate) { return QString(QChar('A' + candidate)); }
    const std::optional<Candidate>& at(int candidate) const;
    int kept() const;  ///< how many
    /// The candidate whose settings are in force, or -1.
    int current() const;

    void keep(int candidate);  ///< the settings in force
    void use(int candidate);   ///< puts its settings in force; what is not kept is not used
    void rename(int candidate, const QString& name);
    void drop(int candidate);
    /// Gives its settings to a region (-1: the whole reel).
    void copyTo(int candidate, int region);

    /// The two whose difference is shown; each is kept, or there are not two.
    std::optional<std::pair<int, int>> compared() const;
    void compare(int a, int b);

    // ---- blind ----
    /// Hides which is which until endBlind(); needs two candidates. The document is not touched meanwhile.
    void startBlind(unsigned seed);
    const BlindTest* blind() const { return m_blind ? &*m_blind : nullptr; }
    int heardLabel() const { return m_label; }
    void hearLabel(int label);
    void prefer();       ///< the label heard
    QString endBlind();  ///< the result in words

signals:
    void changed();

private:
    Document& m_document;
    Hearing& m_hearing;
    Work& m_work;
    std::optional<BlindTest> m_blind;
    std::string m_reel;  ///< that is compared blind
    int m_label = 0;
    std::pair<int, int> m_compared{0, 1};  ///< chosen last
};

}  // namespace rivlen
