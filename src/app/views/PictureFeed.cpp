#include "app/views/PictureFeed.h"

#include "core/base/Error.h"

namespace rivlen {

PictureFeed::PictureFeed(QObject* parent) : QObject(parent), m_thread([this] { run(); }) {}

PictureFeed::~PictureFeed() {
    {
        const std::lock_guard lock(m_guard);
        m_ending = true;
    }
    m_wake.notify_one();
    m_thread.join();
}

void PictureFeed::open(const std::filesystem::path& file) {
    const std::lock_guard lock(m_guard);
    m_file = file;
    ++m_version;
    m_wanted.reset();
}

void PictureFeed::want(double seconds, int height) {
    {
        const std::lock_guard lock(m_guard);
        if (m_file.empty()) return;
        m_wanted = {seconds, height};
    }
    m_wake.notify_one();
}

void PictureFeed::run() {
    std::unique_ptr<PictureReader> reader;
    int opened = 0;
    double from = 0, to = -1;  // of the frame delivered last
    int height = 0;
    while (true) {
        std::pair<double, int> wanted;
        std::filesystem::path file;
        int version;
        {
            std::unique_lock lock(m_guard);
            m_wake.wait(lock, [this] { return m_ending || m_wanted; });
            if (m_ending) return;
            wanted = *m_wanted;
            m_wanted.reset();
            file = m_file;
            version = m_version;
        }
        try {
            if (version != opened) {
                opened = version;
                reader.reset();
                to = from - 1;
                reader = std::make_unique<PictureReader>(file);
            }
            if (!reader || (wanted.first >= from && wanted.first < to && wanted.second == height))
                continue;  // is shown already
            const auto frame = reader->at(wanted.first, wanted.second);
            if (!frame) continue;
            from = frame->from, to = frame->to, height = wanted.second;
            Shown shown{QImage(frame->rgba.data(), frame->width, frame->height, frame->width * 4,
                               QImage::Format_RGBA8888)
                            .copy(),
                        frame->number, frame->from, frame->to};
            QMetaObject::invokeMethod(
                this,
                [this, version, shown] {
                    bool present;
                    {
                        const std::lock_guard lock(m_guard);
                        present = version == m_version;
                    }
                    if (present) emit this->frame(shown);
                },
                Qt::QueuedConnection);
        } catch (const Error& e) {
            reader.reset();
            QMetaObject::invokeMethod(
                this, [this, text = QString::fromStdString(e.what())] { emit failed(text); }, Qt::QueuedConnection);
        }
    }
}

}  // namespace rivlen
