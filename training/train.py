#!/usr/bin/python3
"""Trains the network. Resumes from the run's checkpoint; safe to stop at any time.

Usage: train.py RUN [--minutes M] [--batch N] [--rate R] [--start OTHER_RUN|NETWORK.ts] [--kind KIND]
It stops when the run has had M minutes of training, summed over restarts; with --anneal the learning rate falls to zero on the
way, otherwise it falls like one over the root of the steps, so that a run can be prolonged at any time. The weights that are evaluated and exported are an
average over the last tenth of all steps (Karras et al., "Analyzing and improving the training dynamics of diffusion models", 2024:
the averaging grows with the training, so no length needs to be known).
"""
import argparse
import collections
import copy
import json
import multiprocessing
import os
import pathlib
import time

os.environ.setdefault("OMP_WAIT_POLICY", "passive")
os.environ.setdefault("OMP_NUM_THREADS", "1")

import numpy as np
import torch

import bands
import compact
import grow
import memory
import mix
import model
import muon
import paths
import shrink
import tasks
import teach
import waveform

SHORT_MINUTES = 15     # of a run from nothing with short clips: twice the steps in the same time
FULL_RATE_STEPS = 1000  # after which the rate without --anneal falls like one over the root of the steps: held longer, nothing more is learned
AUDIBLE = 10 ** -2.5   # of the mixture's energy: a stem below it counts as absent
LIKE_FLOOR = 10 ** -2.5  # of the share in SI-SDR: nothing is asked beyond +-25 dB
ENERGY_SHARE = 0.4     # of the error energy in what is asked of whole stems; the rest is SI-SDR
GROWN_AVERAGED = 1000  # steps that a network which grew counts as having had already: its average reaches back over 100 and more
AVERAGED = 9.0         # the average's power: it reaches back over about a tenth of the steps


def feed(queue, size, seed, kind, transform, frames, taught, taught_share):
    mixer = tasks.of(kind).mixer("train", seed, transform)
    lessons = teach.Taught(taught, seed) if taught else None
    while True:
        mixer.frames = frames.value
        of_teacher = lessons and mixer.rng.random() < taught_share
        queue.put([torch.from_numpy(a) for a in (lessons.batch(size, mixer.frames) if of_teacher else mixer.batch(size))])


def likeness(m, xx, xs, ss):
    """Per clip and stem: the share (0 ... 1) of the answer's energy that is the stem, whatever its level; SI-SDR = 10 lg(share / (1 - share)).
    Le Roux et al., "SDR - half-baked or well done?" (2019), for the three sums of a band mask."""
    hit = (m * xs).sum((2, 3, 4)).clamp_min(0)
    return hit ** 2 / ((m * m * xx).sum((2, 3, 4)) * ss.sum((2, 3, 4)) + 1e-12)


def loss_of(logits, xx, xs, ss, weights, energy_weight=1.2, magnitude_weight=4.0):
    """Compressed magnitudes (what the ear hears), the logarithm of the error energy, and SI-SDR.

    A target for each of weights (tasks.py), over mid and side; where ss has one row more than there are stems, the last is the first two
    together. All parts are kept finite
    for silent clips and absent stems, which would otherwise rule the gradient. The error energy of an empty answer is no more than the
    stem's: alone it lets a stem be lost without a price. SI-SDR falls without end where a stem goes to another's answer."""
    m = torch.softmax(logits, 1)
    if ss.size(1) > xs.size(1):
        m = torch.cat([m, m[:, :1] + m[:, 1:2]], 1)
        xs = torch.cat([xs, xs[:, :1] + xs[:, 1:2]], 1)
    xx = xx.unsqueeze(1)
    scale = xx.mean((2, 3, 4), keepdim=True) + 1e-9
    root = lambda p: torch.sqrt(torch.sqrt(p / scale + 1e-4))  # magnitudes to the power 0.5
    magnitude = (root(m * m * xx) - root(ss)).abs().mean((0, 2, 3, 4))
    error = (ss - 2 * m * xs + m * m * xx).sum((2, 3, 4)).clamp_min(0)
    total, own = xx.sum((2, 3, 4)) + 1e-6, ss.sum((2, 3, 4))
    energy = torch.log10(error / (own + 0.02 * total) + 0.01).mean(0)
    like, there = likeness(m, xx, xs, ss), (own > AUDIBLE * total).float()
    missed = (torch.log10((1 - like + LIKE_FLOOR) / (like + LIKE_FLOOR)) * there).sum(0) / there.sum(0).clamp_min(1)
    return (magnitude_weight * weights * magnitude + energy_weight * weights * (ENERGY_SHARE * energy + (1 - ENERGY_SHARE) * missed)).sum(), energy.detach(), missed.detach()


def settle(net, batches):
    """Takes the batch norms' statistics anew from some batches: those of averaged weights are not the average of statistics."""
    norms = [m for m in net.modules() if isinstance(m, torch.nn.BatchNorm2d)]
    for norm in norms:
        norm.reset_running_stats()
        norm.momentum = None  # the plain mean of what follows
    net.train()
    with torch.no_grad():
        for xx, cross in batches:
            net(xx, cross)


def finished(run):
    """(network with a run's averaged weights and the statistics that belong to them, the checkpoint)."""
    saved = torch.load(paths.RUNS / run / "last.pt")
    net = model.KINDS[saved["kind"]]()
    net.load_state_dict(saved["average"])
    if saved.get("settled"):  # blend.py
        return net.eval(), saved
    mixer = tasks.of(saved["kind"]).mixer("train", 17, net.transform)
    settle(net, [[torch.from_numpy(a) for a in mixer.batch(8)[:2]] for _ in range(16)])
    return net.eval(), saved


def load_start(start):
    """(weights; steps, minutes and seconds of mixtures that they were trained; their kind) of a shipped network or of another run."""
    if start.endswith(".ts"):
        training = json.loads(pathlib.Path(start).with_suffix(".json").read_text())["training"]
        return compact.restore(start), {"steps": training["steps"], "minutes": training["minutes"], "heard": 3600 * training.get("hours_of_mixtures", 0)}, training.get("kind")
    saved = torch.load(paths.RUNS / start / "last.pt")
    before = saved.get("earlier", {"steps": 0, "minutes": 0})
    return saved["average"], {"steps": before["steps"] + saved["step"], "minutes": before["minutes"] + saved["spent"], "heard": saved["heard"]}, saved["kind"]


def begin_with(net, earlier):
    """Loads the weights of an earlier network: a narrower one grows into net, of a wider one what matters most is kept. Of one that gives other
    stems all but its last layer is taken."""
    if earlier["last.linear.weight"].size(0) != net.last.linear.out_features and net.stems != model.STEMS:
        earlier = {name: value for name, value in earlier.items() if not name.startswith("last.")}
    if earlier["down1.linear.weight"].size(0) <= net.down1.linear.out_features:
        return grow.grow(net, earlier)
    wide = model.KINDS["fine"]()
    grow.grow(wide, earlier)
    xx, cross, _, _ = mix.Mixer("train", 7, wide.transform).batch(8)
    shrink.shrink(net, wide, torch.from_numpy(xx), torch.from_numpy(cross))


def brief(net, task):
    """The main figures on material of others, in one line."""
    return task.brief(waveform.Separator(copy.deepcopy(net).eval()).eval())


def main():
    parser = argparse.ArgumentParser(description=__doc__)
    parser.add_argument("run")
    parser.add_argument("--minutes", type=float, default=60)
    parser.add_argument("--batch", type=int, default=8)
    parser.add_argument("--rate", type=float, default=0.02, help="of the matrices; the rest has a twentieth of it")
    parser.add_argument("--start", help="begin with the averaged weights of this run, or with this shipped network (.ts); see grow.py, shrink.py")
    parser.add_argument("--kind", default="b", choices=model.KINDS)
    parser.add_argument("--anneal", action="store_true")
    parser.add_argument("--magnitude", type=float, default=4.0, help="weight of the compressed magnitudes in the loss")
    parser.add_argument("--last", type=float, help="weight of the last target (of main: the whole voice) in the loss, the others' in proportion; else tasks.py's")
    parser.add_argument("--averaged", type=int, help="steps that the average counts as had before this run; without it all that the first weights had")
    parser.add_argument("--hold-norms", action="store_true", help="the batch norms' statistics stay what they are, in training as in use: for a network that has learned long")
    parser.add_argument("--every", type=float, default=15, help="minutes between evaluations")
    parser.add_argument("--seed", type=int, default=1)
    parser.add_argument("--uses", type=float, default=mix.USES, help="clips that a stem is used for, on average")
    parser.add_argument("--seconds", type=float, default=mix.SECONDS, help="of a clip, after the first minutes")
    parser.add_argument("--taught", help="folder of teach.py: of its clips are --taught-share of the batches")
    parser.add_argument("--taught-share", type=float, default=0.6)
    parser.add_argument("--teacher", type=float, default=0.7, help="weight of the teacher's answer beside the truth")
    parser.add_argument("--threads", type=int, default=1, help="that compute; one more process makes mixtures")
    options = parser.parse_args()
    memory.keep()
    mix.USES, mix.SECONDS, mix.STEM_SECONDS = options.uses, options.seconds, max(mix.STEM_SECONDS, 1.5 * options.seconds)
    torch.set_num_threads(options.threads)
    torch.set_flush_denormal(True)  # the momentum of units that fell silent halves the speed otherwise
    torch.manual_seed(options.seed)
    folder = paths.RUNS / options.run
    folder.mkdir(parents=True, exist_ok=True)
    net = model.KINDS[options.kind]()
    task = tasks.of(options.kind)
    weights_of_targets = torch.tensor(task.weights)
    if options.last:
        weights_of_targets[:-1] *= (1 - options.last) / weights_of_targets[:-1].sum()
        weights_of_targets[-1] = options.last
    earlier = {"steps": 0, "minutes": 0}  # training that the first weights had
    if options.start:
        weights, earlier, kind = load_start(options.start)
        begin_with(net, weights)
        if tasks.of(kind) is not task:  # what it was trained for before does not count for this
            earlier = {"steps": 0, "minutes": 0, "begun_with": kind}
        earlier["other"] = kind != options.kind
    net = net.to(memory_format=torch.channels_last)
    average = copy.deepcopy(net)
    optimizer = muon.Muon(net, options.rate, options.rate / 20)
    step, spent, heard = 0, 0.0, earlier.get("heard", 0.0)  # heard: seconds of mixtures
    if (folder / "last.pt").exists():
        saved = torch.load(folder / "last.pt")
        net.load_state_dict(saved["net"])
        average.load_state_dict(saved["average"])
        optimizer.load_state_dict(saved["optimizer"])
        for group in optimizer.param_groups:  # the rate may be another now
            group["lr"] = options.rate if group["matrix"] else options.rate / 20
        step, spent, heard, earlier = (saved[k] for k in ("step", "spent", "heard", "earlier"))
    queue = multiprocessing.Queue(3)
    long, short = (net.transform.frames(s) for s in (mix.SECONDS, mix.SHORT_SECONDS))
    frames = multiprocessing.Value("i", short)
    worker = multiprocessing.Process(target=feed, args=(queue, options.batch, options.seed * 1000 + step, options.kind, net.transform, frames,
                                                                 options.taught, options.taught_share), daemon=True)
    worker.start()

    def save():
        torch.save({"net": net.state_dict(), "average": average.state_dict(), "optimizer": optimizer.state_dict(),
                    "step": step, "spent": spent, "heard": heard, "batch": options.batch, "seconds": options.seconds, "kind": options.kind, "earlier": earlier,
                    "settled": options.hold_norms}, folder / "last.part")
        (folder / "last.part").rename(folder / "last.pt")

    if options.hold_norms:
        net.eval()  # nothing else in it behaves otherwise
    ready = (lambda: None) if options.hold_norms else (lambda: settle(average, recent))
    before = options.averaged if options.averaged is not None else GROWN_AVERAGED if earlier.get("other") else earlier["steps"]
    print(f"{sum(p.numel() for p in net.parameters()) / 1e6:.2f} M parameters", flush=True)
    shown, evaluated, sums, recent = time.time(), spent, [], collections.deque(maxlen=16)
    while spent < options.minutes:
        begin = time.time()
        frames.value = long if earlier["minutes"] + spent >= SHORT_MINUTES else short
        slower = 0.5 * (1 + np.cos(np.pi * spent / options.minutes)) if options.anneal else max(1, (earlier["steps"] + step) / FULL_RATE_STEPS) ** -0.5
        optimizer.scale = min(1, (step + 1) / 100) * slower
        xx, cross, *targets = queue.get()
        recent.append((xx, cross))
        # Magnitudes first: the error energy of a network that knows nothing yet rules every gradient.
        logits, energy_weight = net(xx, cross), min(0.3 + step / 1000, 1.2) if not options.start else 1.2
        loss, parts, missed = loss_of(logits, xx, *targets[:2], weights_of_targets, energy_weight, options.magnitude)
        if len(targets) == 4:  # a teacher's answers beside the truth
            loss = (1 - options.teacher) * loss + options.teacher * loss_of(logits, xx, *targets[2:], weights_of_targets, energy_weight, options.magnitude)[0]
        if not torch.isfinite(loss):
            raise SystemExit("the loss is not finite: the last checkpoint is still good")
        optimizer.zero_grad()
        loss.backward()
        torch.nn.utils.clip_grad_norm_(net.parameters(), 1.0)
        optimizer.step()
        step += 1
        heard += len(xx) * xx.size(2) * net.transform.hop / bands.RATE
        # Of an annealed run only its own end counts, of a network that grew only what it learned since.
        averaged = step if options.anneal else step + before
        keep = (1 - 1 / averaged) ** (AVERAGED + 1) if averaged > 1 else 0
        with torch.no_grad():
            for a, b in zip(average.parameters(), net.parameters()):
                a.lerp_(b, 1 - keep)
        sums.append([loss.item(), *parts.tolist(), *(-10 * missed).tolist()])
        spent += (time.time() - begin) / 60
        if time.time() - shown > 60:
            print(f"{spent:6.1f} min  step {step}  loss, error energy, SI-SDR in dB: {np.round(np.mean(sums, 0), 2)}", flush=True)
            shown, sums = time.time(), []
            save()
        if spent - evaluated > options.every:
            evaluated = spent
            ready()
            print(f"{spent:6.1f} min  step {step}  field: {brief(average, task)}", flush=True)
    ready()
    save()
    print(f"finished at step {step}: {brief(average, task)}", flush=True)
    worker.terminate()
    os._exit(0)


if __name__ == "__main__":
    main()
