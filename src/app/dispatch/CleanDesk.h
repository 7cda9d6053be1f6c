#pragma once
#include "app/dispatch/DispatchDesk.h"
#include "core/session/CleanVoice.h"

namespace rivlen {

/// The clean voice in one press: the reel is treated, split and weighed (CleanVoice.h), its settings become ordinary
/// ones in one step, and its voice is delivered.
class CleanDesk : public QObject {
    Q_OBJECT
public:
    CleanDesk(Document& document, Reels& reels, DispatchDesk& dispatch, Work& work, QObject* parent = nullptr);

    /// Of voicePurposes(), or empty: the suggested strength. Remembered between runs of the program.
    std::string purpose() const;
    void setPurpose(const std::string& id);
    /// Where the present reel's clean voice goes: beside its recording. Empty where nothing may be written there.
    QString usualFolder() const;
    /// Begins with the present reel.
    void clean(const QString& folder);
    bool busy() const { return m_job != 0; }

signals:
    void changed();
    /// A reel's clean voice has its settings and is being delivered.
    void delivering(const std::string& id);

private:
    void take(const CleanVoice& clean, const QString& folder);

    Document& m_document;
    Reels& m_reels;
    DispatchDesk& m_dispatch;
    Work& m_work;
    int m_job = 0;
};

}  // namespace rivlen
