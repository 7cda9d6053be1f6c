#pragma once
#include <cmath>
#include <cstdint>
#include <cstdio>
#include <filesystem>
#include <string>
#include <vector>

namespace rivlen::test {

/// Ten seconds of picture in which something round moves on a known way: it grows, shrinks and turns; at 2 s another
/// thing crosses it, from 5 to 6 s there is another shot without it, at 7.2 s it passes half behind a post; the
/// background pans slowly.
struct MovingClip {
    /// seed: of all textures, so that the same way is gone by another thing in another place.
    MovingClip(int across, int down, int textures = 0) : width(across), height(down), seed(textures) {}
    const int width, height, seed;
    static constexpr int kFps = 25, kFrames = 250;

    static double xAt(double t) { return 0.5 - 0.32 * std::cos(t * 0.62); }
    static double yAt(double t) { return 0.5 + 0.18 * std::sin(t * 0.9); }
    static double radiusAt(double t) { return 0.055 + 0.02 * std::sin(t * 0.7); }  // of the width
    static bool otherShot(double t) { return t >= 5 && t < 6; }

    /// Share of the object that is not covered.
    double seenAt(double t) const {
        if (otherShot(t)) return 0;
        int all = 0, seen = 0;
        const double r = radiusAt(t);
        for (double dy = -r; dy <= r; dy += r / 8)
            for (double dx = -r; dx <= r; dx += r / 8) {
                if (dx * dx + dy * dy > r * r) continue;
                ++all;
                if (!covered(xAt(t) + dx, yAt(t) * height / width + dy, t)) ++seen;
            }
        return double(seen) / all;
    }
    std::vector<uint8_t> frame(int number) const {
        const double t = double(number) / kFps;
        std::vector<uint8_t> rgb(size_t(width) * size_t(height) * 3);
        const auto& behind = ground(otherShot(t));
        uint32_t grain = uint32_t(number) * 2654435761u + 1;
        for (int row = 0; row < height; ++row)
            for (int column = 0; column < width; ++column) {
                double c[3];
                colour(column, row, t, behind, c);
                for (int k = 0; k < 3; ++k) {
                    grain = grain * 1664525u + 1013904223u;
                    const double noise = double(grain >> 24) / 255 * 10 - 5;
                    rgb[(size_t(row) * size_t(width) + size_t(column)) * 3 + size_t(k)] =
                        uint8_t(std::min(255.0, std::max(0.0, c[k] + noise)));
                }
            }
        return rgb;
    }
    /// Written by ffmpeg, H.264. False: that failed.
    bool write(const std::filesystem::path& file) const {
        const std::string command = "ffmpeg -nostdin -v error -y -f rawvideo -pix_fmt rgb24 -s " +
                                    std::to_string(width) + "x" + std::to_string(height) +
                                    " -r 25 -i - -f lavfi -i anullsrc=r=48000:cl=stereo -shortest -c:v libx264 -preset "
                                    "ultrafast -crf 20 -pix_fmt yuv420p "
                                    "-c:a pcm_s16le '" +
                                    file.string() + "'";
        std::FILE* pipe = popen(command.c_str(), "w");
        if (!pipe) return false;
        for (int i = 0; i < kFrames; ++i) {
            const auto rgb = frame(i);
            std::fwrite(rgb.data(), 1, rgb.size(), pipe);
        }
        return pclose(pipe) == 0;
    }

private:
    static double hash(int x, int y, int seed) {
        uint32_t h = uint32_t(x) * 374761393u + uint32_t(y) * 668265263u + uint32_t(seed) * 2246822519u;
        h = (h ^ (h >> 13)) * 1274126177u;
        return double((h ^ (h >> 16)) & 0xffff) / 65535;
    }
    /// Patches of brightness, soft at their edges.
    double texture(double x, double y, double scale, int layer) const {
        const int own = layer + 17 * seed;
        const double u = x / scale, v = y / scale;
        const int a = int(std::floor(u)), b = int(std::floor(v));
        const double fx = u - a, fy = v - b, sx = fx * fx * (3 - 2 * fx), sy = fy * fy * (3 - 2 * fy);
        const double top = hash(a, b, own) + sx * (hash(a + 1, b, own) - hash(a, b, own));
        const double low = hash(a, b + 1, own) + sx * (hash(a + 1, b + 1, own) - hash(a, b + 1, own));
        return top + sy * (low - top);
    }
    static bool crossing(double x, double y, double t) {
        const double along = 0.9 - 0.35 * t;  // meets the object near 2 s
        return t < 5 && std::fabs(x - along) < 0.03 && y > 0.05 && y < 0.5;
    }
    static bool post(double x, double t) { return t > 6 && std::fabs(x - 0.68) < 0.045; }
    bool covered(double x, double y, double t) const { return crossing(x, y, t) || post(x, t); }
    /// Both shots' backgrounds, wider than the picture by what the pan covers.
    const std::vector<float>& ground(bool other) const {
        auto& kept = m_ground[other ? 1 : 0];
        if (!kept.empty()) return kept;
        kept.resize(size_t(groundWidth()) * size_t(height));
        for (int row = 0; row < height; ++row)
            for (int column = 0; column < groundWidth(); ++column) {
                const double x = double(column) / width, y = double(row) / width;
                kept[size_t(row) * size_t(groundWidth()) + size_t(column)] =
                    float(40 + 120 * texture(x, y, 0.05, other ? 9 : 1) + 40 * texture(x, y, 0.012, other ? 8 : 2));
            }
        return kept;
    }
    int groundWidth() const { return width + width / 4; }
    void colour(int column, int row, double t, const std::vector<float>& behind, double c[3]) const {
        const bool other = otherShot(t);
        const double x = double(column) / width, y = double(row) / width;
        const double shade =
            double(behind[size_t(row) * size_t(groundWidth()) + size_t(column) + size_t(0.02 * t * width)]);
        c[0] = shade * (other ? 0.6 : 0.8), c[1] = shade * 0.9, c[2] = shade * (other ? 1.2 : 1);
        if (other) return;
        const double dx = x - xAt(t), dy = y - yAt(t) * height / width, r = radiusAt(t);
        if (dx * dx + dy * dy < r * r) {
            const double turn = 0.4 * t, u = (dx * std::cos(turn) + dy * std::sin(turn)) / r,
                         v = (dy * std::cos(turn) - dx * std::sin(turn)) / r;
            const double paint = 60 + 180 * texture(u + 5, v + 5, 0.45, 3);
            c[0] = paint, c[1] = 0.55 * paint, c[2] = 0.25 * paint;
        }
        if (crossing(x, y, t)) c[0] = 60 + 60 * texture(x + 0.35 * t, y, 0.02, 5), c[1] = 130, c[2] = 90;
        if (post(x, t)) c[0] = c[1] = c[2] = 70 + 30 * texture(x, y, 0.03, 6);
    }
    mutable std::vector<float> m_ground[2];
};

}  // namespace rivlen::test
