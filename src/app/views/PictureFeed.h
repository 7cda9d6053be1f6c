#pragma once
#include <QImage>
#include <QObject>
#include <condition_variable>
#include <filesystem>
#include <mutex>
#include <thread>

#include "core/media/PictureReader.h"

namespace rivlen {

/// Decodes the frames of a video on a thread of its own. What is asked for while a frame is being decoded takes the
/// place of what was asked before: frames are left out rather than late, and nobody waits.
class PictureFeed : public QObject {
    Q_OBJECT
public:
    explicit PictureFeed(QObject* parent = nullptr);
    ~PictureFeed() override;

    void open(const std::filesystem::path& file);  ///< empty: none
    /// Asks for the frame at a time in seconds from the sound's first sample, made that many pixels high.
    void want(double seconds, int height);

    struct Shown {
        QImage image;
        int64_t number = 0;       ///< of the frame, from 0
        double from = 0, to = 0;  ///< when it is shown, seconds of the sound
    };

signals:
    void frame(const rivlen::PictureFeed::Shown& shown);
    void failed(const QString& sentence);

private:
    void run();
    std::mutex m_guard;
    std::condition_variable m_wake;
    std::filesystem::path m_file;
    int m_version = 0;
    std::optional<std::pair<double, int>> m_wanted;
    bool m_ending = false;
    std::thread m_thread;
};

}  // namespace rivlen
