"""A trained network with its weights as small integers in a compressed file: a sixth of the size, the same quality.

Each output channel has a scale of its own; the weights become floating point again when the network runs, which costs some
milliseconds a tile. Batch norms keep their own figures, so that a shipped network can be trained on (`restore`).
"""
import io
import json
import pathlib
import zipfile

import torch
import torch.nn.functional as F
from torch import nn

import model

# Each way of zero. The mean SI-SDR of twelve mixtures is the same within 0.2 dB with 127, 31, 23 and 15, for better or worse by chance.
LEVELS = 25
RANK = 4    # of what a scene may change of a matrix


def quantised(weight):
    """float[out, ...] -> (int8 of the same shape, float[out, 1, ...]): weight = integer * scale."""
    scale = weight.abs().flatten(1).amax(1).clamp_min(1e-12).view(-1, *[1] * (weight.dim() - 1)) / LEVELS
    return torch.round(weight / scale).to(torch.int8), scale


class Weights(nn.Module):
    """What a scene may change of them (docs/formats.md, "Learning") is a product of two narrow matrices, zero here: Hu et al., "LoRA:
    Low-rank adaptation of large language models" (2021)."""

    def __init__(self, weight, rounded=None):
        super().__init__()
        integer, scale = rounded or quantised(weight.detach())
        self.register_buffer("integer", integer.contiguous())
        self.register_buffer("scale", scale)
        self.register_buffer("change_left", torch.zeros(weight.size(0), RANK))
        self.register_buffer("change_right", torch.zeros(RANK, weight[0].numel()))

    def forward(self):
        return self.integer.float() * self.scale + (self.change_left @ self.change_right).view_as(self.integer)


class CompactConv(nn.Module):
    """model.Conv with its norm folded in when it runs."""

    def __init__(self, conv, rounded=None):
        super().__init__()
        self.weight = Weights(conv.conv.weight, rounded)
        norm = conv.norm
        for name in ("weight", "bias", "running_mean", "running_var"):
            self.register_buffer(f"norm_{name}", getattr(norm, name).detach().clone())
        self.register_buffer("change_bias", torch.zeros_like(norm.bias))
        self.eps: float = norm.eps
        self.dilation: int = conv.conv.dilation[0]
        self.residual: bool = conv.residual

    def forward(self, x):
        gain = self.norm_weight / torch.sqrt(self.norm_running_var + self.eps)
        weight = (self.weight() * gain.view(-1, 1, 1, 1)).contiguous(memory_format=torch.channels_last)
        bias = self.norm_bias - self.norm_running_mean * gain + self.change_bias
        y = F.conv2d(x, weight, bias, [1, 1], [self.dilation, 1], [self.dilation, 1]).relu_()
        return y + x if self.residual else y  # not in place: learning asks for what the ReLU gave


class CompactLinear(nn.Module):
    def __init__(self, linear, rounded=None):
        super().__init__()
        self.weight = Weights(linear.weight, rounded)
        self.register_buffer("bias", linear.bias.detach().clone())
        self.register_buffer("change_bias", torch.zeros_like(linear.bias))

    def forward(self, x):
        return F.linear(x, self.weight(), self.bias + self.change_bias)


def compact(module, rounded=None, path=""):
    """Replaces, in place, every Conv and Linear below module; returns module. rounded: rounding.py's numbers, by the weights' names; without it each
    weight is rounded by itself."""
    known = rounded or {}
    for name, child in module.named_children():
        if isinstance(child, model.Conv):
            setattr(module, name, CompactConv(child, known.get(f"{path}{name}.conv.weight")))
        elif isinstance(child, nn.Linear):
            setattr(module, name, CompactLinear(child, known.get(f"{path}{name}.weight")))
        else:
            compact(child, rounded, f"{path}{name}.")
    return module


def soften(net, sureness):
    """Scales, in place, what the softmax of a model.BandNet's shares gets: below 1 the shares are less decided. Guo, Pleiss, Sun and Weinberger, "On calibration
    of modern neural networks" (2017): networks are too sure of themselves where they were not trained."""
    with torch.no_grad():
        net.last.linear.weight *= sureness
        net.last.linear.bias *= sureness


def save(script, path):
    """Writes a scripted network, compressed: few levels take five bits each instead of eight."""
    plain = io.BytesIO()
    torch.jit.save(script, plain)
    with zipfile.ZipFile(plain) as stored, zipfile.ZipFile(path, "w", zipfile.ZIP_DEFLATED, compresslevel=9) as packed:
        for item in stored.infolist():
            packed.writestr(zipfile.ZipInfo(item.filename), stored.read(item), zipfile.ZIP_DEFLATED)


def restore(path):
    """The state dict of a model.BandNet from an exported network file, as sure of itself as it was trained to be."""
    card = pathlib.Path(path).with_suffix(".json")
    sureness = json.loads(card.read_text())["training"].get("sureness", 1) if card.exists() else 1
    shipped = torch.jit.load(str(path)).net.state_dict()
    state = {}
    for name, value in shipped.items():
        if name.endswith(".weight.scale") or ".change_" in name:
            continue
        if name.endswith(".weight.integer"):
            base = name[:-len(".weight.integer")]
            weight = value.float() * shipped[f"{base}.weight.scale"]
            state[f"{base}.conv.weight" if f"{base}.norm_bias" in shipped else f"{base}.weight"] = weight
        elif ".norm_" in name:
            state[name.replace(".norm_", ".norm.")] = value
        else:
            state[name] = value
    for name in ("last.linear.weight", "last.linear.bias"):
        state[name] = state[name] / sureness
    return state
