#pragma once
#include <QObject>
#include <QStringList>

#include "app/reels/Reels.h"

namespace rivlen {

/// Brings recordings in, and finds out in the background what they are and what is wrong with them.
class ReelReader : public QObject {
    Q_OBJECT
public:
    ReelReader(Document& document, Reels& reels, Work& work, QObject* parent = nullptr);

    /// Adds recordings, in the order of their names; of folders and the folders in them all that may be recordings.
    /// What cannot be read is reported in one line and leaves the session as it was.
    void addFiles(const QStringList& files);

private:
    void add(const QString& file, const QString& group, const MediaInfo& info, bool last, const std::string& gesture);
    void read(const Reel& reel);
    void diagnose(const Reel& reel);

    Document& m_document;
    Reels& m_reels;
    Work& m_work;
    int m_imports = 0;
};

}  // namespace rivlen
