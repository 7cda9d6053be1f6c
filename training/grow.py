"""Starts a network from an earlier, smaller one: it answers as that one did, and what is new learns from there.

After the idea of Chen, Goodfellow and Shlens, "Net2Net: Accelerating Learning via Knowledge Transfer" (2016). New channels are
drawn as in a network from nothing, but nothing old reads them yet (those weights are zero and have gradients at once);
new residual blocks add a twentieth of what they will.
"""
import torch

NEW = 0.05  # the gain of a new residual block: at zero its ReLU would have no gradient


def copy(target, source, axes):
    """Copies source into the places of target named by axes: a list of index lists, one per axis that grew."""
    place = torch.meshgrid(*[torch.as_tensor(a) for a in axes], indexing="ij")
    target[place] = source


def indices(old, new, groups):
    """Where the old indices of an axis go, when the axis is `groups` equal groups laid one after the other."""
    return [g * (new // groups) + i for g in range(groups) for i in range(old // groups)]


def grow(net, earlier):
    """Loads the state dict `earlier` into net where names agree; axes may be longer in net."""
    state = net.state_dict()
    for name, value in state.items():
        if name not in earlier:
            if name.endswith("norm.weight"):
                value.fill_(NEW)
            continue
        old = earlier[name]
        if value.dim() == 0 or old.shape == value.shape:
            value.copy_(old)
            continue
        axes = [indices(o, n, groups_of(name, a)) for a, (o, n) in enumerate(zip(old.shape, value.shape))]
        if value.dim() > 1:
            value[axes[0]] = 0
        copy(value, old, axes)
    net.load_state_dict(state)


def groups_of(name, axis):
    """Into how many equal groups an axis falls: patches of Merge and Split, the two inputs of the right-hand side."""
    if axis == 0 and name.startswith(("up1.", "up2.", "last.")):
        return 4
    if axis == 1 and name.startswith(("first.", "down1.", "down2.")):
        return 4
    if axis == 1 and name in ("right2.0.conv.weight", "right1.0.conv.weight"):
        return 2
    return 1
