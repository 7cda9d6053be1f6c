// The program as it is installed, away from the source tree; desktop-file-validate, man and xmllint say whether its
// files are what a desktop expects.
#include <gtest/gtest.h>

#include <nlohmann/json.hpp>

#include "Support.h"
#include "core/base/Resources.h"

using namespace rivlen;
using namespace rivlen::test;
using nlohmann::json;

TEST(Install, WorksFromItsFolderAlone) {
    const TempFolder folder;
    setenv("XDG_CACHE_HOME", (folder / "cache").c_str(), 1);
    const fs::path prefix = folder / "usr";
    const auto installed =
        run("cmake --install '" + (programFolder() / "..").string() + "' --prefix '" + prefix.string() + "'");
    ASSERT_EQ(installed.code, 0) << installed.out;
    for (const char* file : {"bin/rivlen-desk", "bin/rivlen-cli", "share/applications/rivlen.desktop",
                             "share/icons/hicolor/scalable/apps/rivlen.svg", "share/mime/packages/rivlen.xml",
                             "share/man/man1/rivlen-cli.1.gz", "lib/lv2/rivlen.lv2/rivlen.so",
                             "lib/lv2/rivlen.lv2/manifest.ttl", "share/metainfo/example.rivlen.Rivlen.metainfo.xml",
                             "share/rivlen/networks/main.json", "share/rivlen/fonts/Inter-Regular.otf",
                             "share/rivlen/presets/keep-the-room.json", "share/rivlen/demo/night-ferry.rivlen"})
        EXPECT_TRUE(fs::exists(prefix / file)) << file;
    const std::string cli = (prefix / "bin/rivlen-cli").string();
    const auto listed = run(cli + " networks --json");
    ASSERT_EQ(listed.code, 0) << listed.out;
    EXPECT_NE(listed.out.find("main"), std::string::npos);
    // Its own networks, and the backend beside them, do the main job.
    const auto split =
        run("( cd / && " + cli + " split '" + (prefix / "share/rivlen/demo/reel-2-saloon.flac").string() + "' --out '" +
            (folder / "out").string() + "' --quality quick --to 2 --json 2>/dev/null )");
    ASSERT_EQ(split.code, 0) << split.out;
    EXPECT_TRUE(fs::exists(folder / "out" / "reel-2-saloon.dialogue.wav"));
    const std::string desk = "QT_QPA_PLATFORM=offscreen XDG_RUNTIME_DIR='" + folder.path().string() + "' " +
                             (prefix / "bin/rivlen-desk").string();
    EXPECT_EQ(run(desk + " '" + (prefix / "share/rivlen/demo/night-ferry.rivlen").string() + "' --picture '" +
                  (folder / "p.png").string() + "'")
                  .code,
              0);
    EXPECT_TRUE(fs::exists(folder / "p.png"));
    // The effect for other programs finds its process and the networks.
    const std::vector<float> second(2 * 48000);
    std::ofstream(folder / "in.f32", std::ios::binary)
        .write(reinterpret_cast<const char*>(second.data()), std::streamsize(second.size() * sizeof(float)));
    const auto live = run("'" + (programFolder() / "rivlen-lv2-host").string() + "' '" +
                          (prefix / "lib/lv2/rivlen.lv2").string() + "' urn:rivlen:live 2 48000 256 '" +
                          (folder / "in.f32").string() + "' '" + (folder / "out.f32").string() + "'");
    EXPECT_EQ(live.code, 0) << live.out;
    EXPECT_NE(live.out.find("\"latency\": "), std::string::npos) << live.out;
    EXPECT_EQ(run("desktop-file-validate '" + (prefix / "share/applications/rivlen.desktop").string() + "'").out, "");
    EXPECT_EQ(run("update-mime-database '" + (prefix / "share/mime").string() +
                  "' && grep -c 'application/x-rivlen-session' '" + (prefix / "share/mime/globs2").string() + "'")
                  .out,
              "1\n");
    EXPECT_EQ(run("zcat '" + (prefix / "share/man/man1/rivlen-cli.1.gz").string() + "' | grep -c '^.B dispatch'").out,
              "1\n");
}
