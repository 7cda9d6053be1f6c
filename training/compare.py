#!/usr/bin/python3
"""Tells runs apart on what does not change: 30 batches of training mixtures, and the whole field set in one pass.

Usage: compare.py RUN...     of each run's average and last step: the loss and its parts (train.py); of the average: shares, worst case, how often worse
"""
import sys

import numpy as np
import torch

import evaluate
import field_score
import memory
import mix
import model
import paths
import tasks
import train
import waveform

SEED, SKIPPED, BATCHES, FOR_NORMS = 998_877, 30, 30, 10     # the first batches fill the mixer's pools


def loss(net, batches, weights):
    train.settle(net, [b[:2] for b in batches[:FOR_NORMS]])
    net.eval()
    rows = []
    with torch.no_grad():
        for xx, cross, xs, ss in batches:
            whole, energy, missed = train.loss_of(net(xx, cross), xx, xs, ss, weights)
            rows.append([whole.item(), *energy.tolist(), *(-10 * missed).tolist()])
    return np.round(np.mean(rows, 0), 2)


def main():
    memory.keep()
    torch.set_num_threads(1)
    batches = {}
    for run in sys.argv[1:]:
        saved = torch.load(paths.RUNS / run / "last.pt")
        net = model.KINDS[saved["kind"]]()
        if net.transform not in batches:
            mixer = mix.Mixer("train", SEED, net.transform)
            mixer.frames = net.transform.frames(mix.SECONDS)
            made = [[torch.from_numpy(a) for a in mixer.batch(8)] for _ in range(SKIPPED + BATCHES)]
            batches[net.transform] = made[SKIPPED:]
        for which in ("net", "average"):
            net.load_state_dict(saved[which])
            print(run, saved["step"], which, loss(net, batches[net.transform], torch.tensor(tasks.of(saved["kind"]).weights)), flush=True)
        some = field_score.summary(field_score.rows(evaluate.waveform(waveform.WaveformNetwork(train.finished(run)[0]).eval())))
        print(run, {p: some[p] for p in ("dialogue", "music", "ambience")}, flush=True)


if __name__ == "__main__":
    main()
