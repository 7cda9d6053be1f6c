#!/usr/bin/python3
"""On which scale does a network err? Gives its masks the true shares inside patches of cells, or the true level of each patch.

Usage: scales.py NETWORK.ts KIND     80 training mixtures of 7.5 s, one pass; SI-SDR in dB
"""
import sys

import torch
import torch.nn.functional as F

import compact
import memory
import mix
import model

PATCHES = ((1, 4), (2, 1), (2, 4), (4, 8), (8, 16), (16, 48), (8, 192))   # frames, bands
SEED, BATCHES, SECONDS = 4711, 10, 7.5
PRESENT = 3e-3, 0.9     # shares of the mixture's energy between which a stem counts as there beside others


def si_sdr(m, xx, xs, ss):
    """Per clip, of a band mask; kept within 40 dB either way."""
    hit = (m * xs).sum((1, 2, 3)).clamp_min(0)
    like = hit ** 2 / ((m * m * xx).sum((1, 2, 3)) * ss.sum((1, 2, 3)) + 1e-12)
    return 10 * torch.log10((like + 1e-4) / (1 - like + 1e-4))


def level(m, xx, patch):
    """The mask's mean over each patch, weighed with the mixture's energy, in each of its cells."""
    mean = F.avg_pool2d(m * xx, patch, patch) / (F.avg_pool2d(xx, patch, patch) + 1e-12)
    return mean.repeat_interleave(patch[0], 2).repeat_interleave(patch[1], 3)


def main():
    memory.keep()
    torch.set_num_threads(1)
    net = model.KINDS[sys.argv[2]]()
    net.load_state_dict({**net.state_dict(), **compact.restore(sys.argv[1])})
    net.eval()
    mixer = mix.Mixer("train", SEED, net.transform)
    mixer.frames = net.transform.frames(SECONDS)
    rows = {"dialogue": [], "music": [], "ambience": []}
    for _ in range(BATCHES):
        xx, cross, xs, ss = (torch.from_numpy(a) for a in mixer.batch(8))
        with torch.no_grad():
            m = torch.softmax(net(xx, cross), 1)
        whole = xx.sum((1, 2, 3))
        for name, own, x, s in (("dialogue", m[:, 0] + m[:, 1], xs[:, 0] + xs[:, 1], ss[:, 4]),
                                ("music", m[:, 2], xs[:, 2], ss[:, 2]), ("ambience", m[:, 3], xs[:, 3], ss[:, 3])):
            share = s.sum((1, 2, 3)) / whole
            best = (x / (xx + 1e-9)).clamp(0, 1)
            found = [si_sdr(k, xx, x, s) for k in (torch.ones_like(own), own, best)]
            for patch in PATCHES:
                mine, true = level(own, xx, patch), level(best, xx, patch)
                found += [si_sdr((best * mine / (true + 1e-6)).clamp(0, 1), xx, x, s), si_sdr((own * true / (mine + 1e-6)).clamp(0, 1), xx, x, s)]
            rows[name].append(torch.stack(found)[:, (share > PRESENT[0]) & (share < PRESENT[1])])
    for name, found in rows.items():
        mean = torch.cat(found, 1).mean(1).tolist()
        print("%s: mixture %.2f, network %.2f, best mask of a cell %.2f" % (name, *mean[:3]))
        for k, patch in enumerate(PATCHES):
            print("   %2d x %-3d true inside %.2f, true level %.2f" % (*patch, mean[3 + 2 * k], mean[4 + 2 * k]))


if __name__ == "__main__":
    main()
