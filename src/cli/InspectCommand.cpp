#include <CLI/CLI.hpp>
#include <cstdio>

#include "cli/Commands.h"
#include "cli/Output.h"
#include "cli/ProgressLine.h"
#include "core/delivery/Inspection.h"
#include "core/diagnosis/Diagnosis.h"
#include "core/media/MediaReader.h"
#include "core/media/Timecode.h"

namespace rivlen {

void addInspect(CLI::App& program, Progress& progress) {
    struct InspectOptions {
        std::string file;
        bool json = false;
    };
    auto o = std::make_shared<InspectOptions>();
    auto* command =
        program.add_subcommand("inspect", "Tells what a recording is, how loud, and what is wrong with it.");
    command->add_option("FILE", o->file, "An audio or video file.")->required();
    command->add_flag("--json", o->json, "Print one JSON document.");
    command->callback([o, &progress] {
        MediaReader reader(o->file);
        Inspection found;
        Diagnosis diagnosis;
        {
            ProgressLine line("inspecting");
            progress.onProgress = [&line](double f) { line.show(f / 2); };
            found = inspect(reader, progress);
            progress.onProgress = [&line](double f) { line.show(0.5 + f / 2); };
            diagnosis = diagnose(reader, progress);
        }
        auto json = toJson(reader.info(), found);
        const auto& findings = diagnosis.findings;
        if (diagnosis.content) json["content"] = contentName(*diagnosis.content);
        json["findings"] = nlohmann::json::array();
        for (const auto& f : findings) json["findings"].push_back(toJson(f));
        if (o->json) {
            printJson(json);
            return;
        }
        const MediaInfo& i = reader.info();
        std::printf("%s\n  %s, %d Hz, %s, %s%s\n", i.file.c_str(), formatTime(i.duration()).c_str(), i.sampleRate,
                    i.layout.c_str(), i.codec.c_str(), i.bits ? (", " + std::to_string(i.bits) + " bits").c_str() : "");
        if (i.timecode) std::printf("  timecode %s\n", i.timecode->c_str());
        if (i.picture)
            std::printf("  picture %dx%d, %.3f frames/s, %s\n", i.picture->width, i.picture->height, i.picture->fps,
                        i.picture->codec.c_str());
        std::printf("  loudness %.1f LUFS, range %.1f LU, true peak %.1f dBTP, peak %.1f dBFS, noise floor %.1f dBFS\n",
                    found.integratedLufs, found.rangeLu, found.truePeakDbtp, found.peakDbfs, found.noiseFloorDbfs);
        if (diagnosis.content)
            std::printf("  holds %s\n", *diagnosis.content == Content::Mixed ? "speech and other sound"
                                                                             : contentName(*diagnosis.content));
        for (const auto& f : findings) {
            const std::string treatment = entryOf(f.kind).treatment;
            std::printf("  %s to %s: %s%s\n", formatTime(f.from).c_str(), formatTime(f.to).c_str(), describe(f).c_str(),
                        treatment.empty() ? "" : (" (" + treatment + " would help)").c_str());
        }
        if (findings.empty()) std::printf("  no faults were found\n");
    });
}

}  // namespace rivlen
