#!/usr/bin/python3
"""Trains the network. Resumes from the run's checkpoint; safe to stop at any time.

Usage: train.py RUN [--minutes M] [--batch N] [--rate R]
The learning rate falls along a cosine to zero when M minutes of training have passed (summed
over restarts). The weights that are evaluated and exported are an exponential moving average.
"""
import argparse
import copy
import json
import multiprocessing
import os
import time

os.environ.setdefault("OMP_WAIT_POLICY", "passive")
os.environ.setdefault("OMP_NUM_THREADS", "1")

import numpy as np
import torch

import evaluate
import mix
import model
import paths


def feed(queue, size, seed):
    mixer = mix.Mixer("train", seed)
    while True:
        queue.put([torch.from_numpy(a) for a in mixer.batch(size)])


def loss_of(logits, xx, xs, ss):
    """Compressed magnitudes (what the ear hears) plus log error energy per stem (what SI-SDR sees).

    Both are kept finite for silent clips and absent stems, which would otherwise rule the gradient."""
    m = torch.softmax(logits, 1)
    xx = xx.unsqueeze(1)
    scale = xx.mean((2, 3), keepdim=True) + 1e-9
    root = lambda p: (p / scale + 1e-4) ** 0.28
    magnitude = (root(m * m * xx) - root(ss)).abs()
    error = (ss - 2 * m * xs + m * m * xx).sum((2, 3)).clamp_min(0)
    total = xx.sum((2, 3)) + 1e-6
    energy = torch.log10(error / (ss.sum((2, 3)) + 0.02 * total) + 0.01)
    return 4.0 * magnitude.mean() + 0.3 * energy.mean(), energy.detach().mean(0)


def main():
    parser = argparse.ArgumentParser(description=__doc__)
    parser.add_argument("run")
    parser.add_argument("--minutes", type=float, default=60)
    parser.add_argument("--batch", type=int, default=8)
    parser.add_argument("--rate", type=float, default=1.2e-3)
    parser.add_argument("--every", type=float, default=8, help="minutes between evaluations")
    parser.add_argument("--seed", type=int, default=1)
    options = parser.parse_args()
    torch.set_num_threads(1)
    torch.manual_seed(options.seed)
    folder = paths.RUNS / options.run
    folder.mkdir(parents=True, exist_ok=True)
    net = model.BandNet().to(memory_format=torch.channels_last)
    average = copy.deepcopy(net)
    optimizer = torch.optim.AdamW(net.parameters(), lr=options.rate, weight_decay=0.01)
    step, spent = 0, 0.0
    if (folder / "last.pt").exists():
        saved = torch.load(folder / "last.pt")
        net.load_state_dict(saved["net"])
        average.load_state_dict(saved["average"])
        optimizer.load_state_dict(saved["optimizer"])
        step, spent = saved["step"], saved["spent"]
    queue = multiprocessing.Queue(3)
    worker = multiprocessing.Process(target=feed, args=(queue, options.batch, options.seed * 1000 + step), daemon=True)
    worker.start()

    def save():
        torch.save({"net": net.state_dict(), "average": average.state_dict(), "optimizer": optimizer.state_dict(),
                    "step": step, "spent": spent}, folder / "last.part")
        (folder / "last.part").rename(folder / "last.pt")

    print(f"{sum(p.numel() for p in net.parameters()) / 1e6:.2f} M parameters", flush=True)
    shown, evaluated, sums = time.time(), spent, []
    while spent < options.minutes:
        begin = time.time()
        progress = spent / options.minutes
        for group in optimizer.param_groups:
            group["lr"] = options.rate * min(1, (step + 1) / 100) * 0.5 * (1 + np.cos(np.pi * progress))
        xx, xs, ss = queue.get()
        loss, parts = loss_of(net(xx), xx, xs, ss)
        if not torch.isfinite(loss):
            raise SystemExit("the loss is not finite: the last checkpoint is still good")
        optimizer.zero_grad()
        loss.backward()
        torch.nn.utils.clip_grad_norm_(net.parameters(), 1.0)
        optimizer.step()
        step += 1
        keep = min(0.995, (step + 1) / (step + 20))
        with torch.no_grad():
            for a, b in zip(average.state_dict().values(), net.state_dict().values()):
                if a.dtype.is_floating_point:
                    a.lerp_(b, 1 - keep)
                else:
                    a.copy_(b)
        sums.append([loss.item(), *parts.tolist()])
        spent += (time.time() - begin) / 60
        if time.time() - shown > 60:
            print(f"{spent:6.1f} min  step {step}  loss, stems: {np.round(np.mean(sums, 0), 3)}", flush=True)
            shown, sums = time.time(), []
            save()
        if spent - evaluated > options.every:
            evaluated = spent
            scores = evaluate.score(average)
            print(f"{spent:6.1f} min  step {step}  development set: {json.dumps(scores['mean'])}", flush=True)
            average.train()
    save()
    scores = evaluate.score(average)
    print(f"finished at step {step}: {json.dumps(scores['mean'])}", flush=True)
    os._exit(0)


if __name__ == "__main__":
    main()
