"""Starts a narrower network from a trained one: in every stream of channels those that matter most are kept.

A channel matters as much as it varies times the weight that its readers give it; after the idea of Li et al., "Pruning Filters
for Efficient ConvNets" (2017). The result must be trained on.
"""
import re

import torch

# Streams of channels that residual connections tie together, as (module whose output shows it, readers as (weight, groups, group)).
STREAMS = {
    "left2": [("down2.linear.weight", 4, None), ("right2.0.conv.weight", 2, 1)],
    "up2": [("right2.0.conv.weight", 2, 0)],
    "right2": [("up1.linear.weight", 1, None)],
    "bottom": [("up2.linear.weight", 1, None)],
}
# Pattern of a parameter's name, axis, streams that the axis holds one after the other, groups (patches of Merge and Split).
AXES = [
    (r"down1\.linear\.(weight|bias)", 0, ["left2"], 1), (r"down2\.linear\.weight", 1, ["left2"], 4),
    (r"down2\.linear\.(weight|bias)", 0, ["bottom"], 1), (r"up2\.linear\.weight", 1, ["bottom"], 1),
    (r"up2\.linear\.(weight|bias)", 0, ["up2"], 4), (r"up1\.linear\.weight", 1, ["right2"], 1),
    (r"right2\.0\.conv\.weight", 1, ["up2", "left2"], 1), (r"right2\.0\.conv\.weight", 0, ["right2"], 1),
] + [row for s in ("left2", "right2", "bottom") for row in (
    (rf"{s}\.\d+\.(norm|up)\.(weight|bias|running_mean|running_var)", 0, [s], 1), (rf"{s}\.\d+\.down\.weight", 1, [s], 1),
    (rf"{s}\.\d+\.conv\.weight", 0, [s], 1), (rf"{s}\.\d+\.conv\.weight", 1, [s], 1))]


def importance(wide, power, cross):
    """Per stream, how much each channel of the trained network matters on a batch: float[channels]."""
    spread, hooks = {}, []
    for name in STREAMS:
        keep = lambda module, given, out, name=name: spread.__setitem__(name, out.std((0, 2, 3)))
        hooks.append(getattr(wide, name).register_forward_hook(keep))
    with torch.no_grad():
        wide.eval()(power, cross)
    for hook in hooks:
        hook.remove()
    state, result = wide.state_dict(), {}
    for name, readers in STREAMS.items():
        heard = 0
        for weight, groups, group in readers:
            w = state[weight]
            w = w.reshape(w.size(0), groups, w.size(1) // groups, -1)
            w = w if group is None else w[:, group:group + 1]
            heard = heard + w.pow(2).sum((0, 1, 3))
        result[name] = spread[name] * heard.sqrt()
    return result


def shrink(net, wide, power, cross):
    """Loads into net what matters most of wide. power, cross: a batch that wide understands."""
    matters, earlier, state = importance(wide, power, cross), wide.state_dict(), net.state_dict()
    narrow = {"left2": net.down1.linear.out_features, "up2": net.down1.linear.out_features,
              "right2": net.down1.linear.out_features, "bottom": net.down2.linear.out_features}
    kept = {s: torch.sort(torch.topk(m, narrow[s]).indices).values for s, m in matters.items()}
    for name, value in state.items():
        old, done = earlier[name], set()
        for pattern, axis, streams, groups in AXES:
            if axis in done or old.dim() <= axis or not re.fullmatch(pattern, name):
                continue
            size = sum(len(matters[s]) for s in streams)
            chosen = torch.cat([kept[s] + sum(len(matters[e]) for e in streams[:i]) for i, s in enumerate(streams)])
            old = old.index_select(axis, torch.cat([chosen + g * size for g in range(groups)]))
            done.add(axis)
        value.copy_(old)  # raises where a shape was forgotten
    net.load_state_dict(state)
    return kept
