// rivlen-cli score against mir_eval (BSS Eval) and the measures that the networks are trained with.
#include <gtest/gtest.h>

#include <fstream>
#include <nlohmann/json.hpp>

#include "Places.h"
#include "Support.h"
#include "core/base/Resources.h"

using namespace rivlen;
using namespace rivlen::test;
using nlohmann::json;

TEST(Score, AgreesWithTheMeasuresUsedInTraining) {
    const TempFolder folder;
    // Estimates with interference, noise and a lost treble, from the committed excerpt.
    std::ofstream(folder / "make.py") << R"(
import json, sys
import numpy as np, soundfile
from scipy.signal import lfilter
sys.path.insert(0, sys.argv[1] + '/training')
import measures, mir_eval
folder, data = sys.argv[2], sys.argv[1] + '/tests/data/excerpt/'
read = lambda stem: soundfile.read(data + '3-' + stem + '.flac', dtype='float32')[0]
truth = [read('dialogue') + read('room'), read('music'), read('ambience')]
noise = np.random.default_rng(1).standard_normal(truth[0].shape) * 0.003
estimates = [truth[0] + 0.3 * truth[1], lfilter([0.5, 0.5], [1], truth[1], axis=0) + 0.1 * truth[0], truth[2] + noise]
rows = []
for i, (e, t) in enumerate(zip(estimates, truth)):
    soundfile.write(f'{folder}/truth{i}.wav', t, 48000, 'FLOAT')
    soundfile.write(f'{folder}/estimate{i}.wav', e, 48000, 'FLOAT')
mono = lambda x: np.mean(x, axis=1).astype(np.float64)
sources = np.array([mono(e) for e in estimates]), np.array([mono(t) for t in truth])
training = measures.bss_eval(*sources)
sdr, sir, sar, _ = mir_eval.separation.bss_eval_sources(sources[1], sources[0], compute_permutation=False)
assert np.abs(np.minimum(training, 80) - np.minimum([sdr, sir, sar], 80)).max() < 0.02
for i, (e, t) in enumerate(zip(estimates, truth)):
    rows.append(dict(si_sdr_db=measures.si_sdr(e.T, t.T), sdr_db=sdr[i], sir_db=sir[i], sar_db=sar[i],
                     estoi=measures.estoi(e.T, t.T, 48000)))
print(json.dumps(rows))
)";
    const std::string at = folder.path().string();
    const auto reference =
        run("( /usr/bin/python3 -B " + at + "/make.py " + test::kSourceFolder + " " + at + " 2>/dev/null )");
    ASSERT_EQ(reference.code, 0) << reference.out;
    std::string command = (programFolder() / "rivlen-cli").string() + " score --json --reference";
    for (int i = 0; i < 3; ++i) command += " " + at + "/truth" + std::to_string(i) + ".wav";
    command += " --estimate";
    for (int i = 0; i < 3; ++i) command += " " + at + "/estimate" + std::to_string(i) + ".wav";
    const auto ours = run("( " + command + " 2>/dev/null )");
    ASSERT_EQ(ours.code, 0) << ours.out;
    const json expected = json::parse(reference.out), scores = json::parse(ours.out).at("scores");
    for (size_t i = 0; i < 3; ++i) {
        for (const char* name : {"si_sdr_db", "sdr_db", "sir_db", "sar_db"})
            // Above 80 dB rounding decides.
            EXPECT_NEAR(std::min(80.0, scores[i].at(name).get<double>()),
                        std::min(80.0, expected[i].at(name).get<double>()), 0.02)
                << name << " of " << i;
        EXPECT_NEAR(scores[i].at("estoi").get<double>(), expected[i].at("estoi").get<double>(), 0.005) << i;
    }
}
