#pragma once
#include <QDockWidget>
#include <QLabel>
#include <QTimer>
#include <optional>

#include "app/document/Document.h"
#include "app/hearing/Hearing.h"
#include "app/reels/Reels.h"
#include "app/views/PictureFeed.h"
#include "app/work/Work.h"
#include "core/following/PictureBox.h"

namespace rivlen {

/// The picture window: the exact frame of the playhead, docked beside the pictures or floating. The sound is the clock:
/// while it plays the picture follows it, and frames that come too late are left out.
class PictureDock : public QDockWidget {
    Q_OBJECT
public:
    PictureDock(Document& document, Reels& reels, Hearing& hearing, Work& work, QWidget* parent = nullptr);

    /// True when the present reel has a picture.
    bool wanted() const { return m_wanted; }  ///< the user has not closed it
    void setWanted(bool on);
    bool hasPicture() const;
    /// Moves the playhead by whole frames; where there is no picture, by 1/25 s.
    void step(int frames);
    const PictureFeed::Shown& shown() const { return m_shown; }
    /// "10:00:04:12": timecode of the frame at a time, counted from the file's own start or from 0.
    static QString timecodeAt(const MediaInfo& info, double seconds);

    /// A box over what is shown: sure, or where something was last seen. Nothing: none.
    void setBox(std::optional<PictureBox> box, bool seen);
    /// While it is on, a box is drawn with the pointer; boxMarked() tells of it.
    void setMarking(bool on);

signals:
    void frameShown();
    void boxMarked(const PictureBox& box);
    void pointed(double x, double y);  ///< the pointer is over the picture, in shares of its width and height

protected:
    void showEvent(QShowEvent*) override;

private:
    class View;
    void follow();
    void reelOpened();
    Document& m_document;
    Reels& m_reels;
    Hearing& m_hearing;
    Work& m_work;
    PictureFeed m_feed;
    PictureFeed::Shown m_shown;
    View* m_view;
    QLabel* m_text;
    QTimer m_clock;
    std::string m_reel;
    std::filesystem::path m_file;
    bool m_wanted = true;  ///< the user has not closed it
};

}  // namespace rivlen
