"""Rounds a trained network's weights to few levels so that what its layers make of real mixtures changes least.

Column by column of a layer's matrix, what rounding a column does to the layer's output is made up for by the columns that are still to be rounded, as far as
the layer's inputs are alike: Frantar, Ashkboos, Hoefler and Alistarh, "GPTQ: Accurate post-training quantization for generative pre-trained
transformers" (2022). Rounding each weight by itself costs the main network half a point of its share, this half of that (EXPERIMENTS.md).
"""
import torch
import torch.nn.functional as F
from torch import nn

import compact
import tasks

BATCHES, CLIPS = 24, 3
TAKEN = 2500    # of a layer's cells in a batch
DAMPING = 0.01  # of the mean power of the inputs, added to each: what hardly occurs is not known well
BLOCK = 128     # columns at a time


def inputs_of(layer, x):
    """What each output of a layer is made of: float[cells, columns of its matrix]."""
    if isinstance(layer, nn.Conv2d):
        columns = F.unfold(x.contiguous(), layer.kernel_size, layer.dilation, layer.padding)
        return columns.permute(0, 2, 1).reshape(-1, columns.size(1))
    return x.reshape(-1, x.size(-1))


def likenesses(net, batches):
    """layer -> float64[columns, columns]: mean products of its inputs over the batches (power, cross)."""
    chance = torch.Generator().manual_seed(0)
    layers = [m for m in net.modules() if isinstance(m, (nn.Conv2d, nn.Linear))]
    sums, counts = {m: 0 for m in layers}, {m: 0 for m in layers}

    def note(layer, inputs, _):
        cells = inputs_of(layer, inputs[0])
        cells = cells[torch.randperm(len(cells), generator=chance)[:TAKEN]]
        sums[layer] = sums[layer] + (cells.T @ cells).double()
        counts[layer] += len(cells)
    hooks = [m.register_forward_hook(note) for m in layers]
    with torch.no_grad():
        for power, cross in batches:
            net(power, cross)
    for hook in hooks:
        hook.remove()
    return {m: sums[m] / counts[m] for m in layers}


def rounded_matrix(matrix, alike, step):
    """float[rows, columns] as whole numbers (float) of the steps float[rows, 1]."""
    alike = alike + torch.eye(len(alike), dtype=alike.dtype) * max(DAMPING * float(alike.diagonal().mean()), 1e-12)
    inverse = torch.cholesky_inverse(torch.linalg.cholesky(alike))
    passed_on = torch.linalg.cholesky(inverse, upper=True).float()
    left, whole = matrix.clone(), torch.zeros_like(matrix)
    for first in range(0, matrix.size(1), BLOCK):
        last = min(first + BLOCK, matrix.size(1))
        block, ahead = left[:, first:last].clone(), passed_on[first:last, first:last]
        errors = torch.zeros_like(block)
        for j in range(last - first):
            whole[:, first + j] = torch.clamp(torch.round(block[:, j] / step[:, 0]), -compact.LEVELS, compact.LEVELS)
            errors[:, j] = (block[:, j] - whole[:, first + j] * step[:, 0]) / ahead[j, j]
            block[:, j:] -= errors[:, j:j + 1] * ahead[j:j + 1, j:]
        left[:, last:] -= errors @ passed_on[first:last, last:]
    return whole


def rounded(net, kind):
    """name of a weight -> (int8 of its shape, float[out, 1, ...]), as compact.quantised(), for a model.BandNet of this kind of model.KINDS."""
    mixer = tasks.of(kind).mixer("train", 29, net.transform)
    batches = [[torch.from_numpy(a) for a in mixer.batch(CLIPS)[:2]] for _ in range(2 * BATCHES)][BATCHES:]  # the first fill the mixer's pools
    alike, names = likenesses(net.eval(), batches), {m: n for n, m in net.named_modules()}
    found = {}
    for layer, products in alike.items():
        weight = layer.weight.detach()
        _, step = compact.quantised(weight)
        whole = rounded_matrix(weight.reshape(len(weight), -1), products, step.view(-1, 1))
        found[f"{names[layer]}.weight"] = whole.view_as(weight).to(torch.int8), step
    return found
