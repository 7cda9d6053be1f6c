"""Starts a network from an earlier, smaller one: what it knows is copied, what is new begins small.

After the idea of Chen, Goodfellow and Shlens, "Net2Net: Accelerating Learning via Knowledge Transfer" (2016).
"""
import torch

NEW = 0.3  # new weights start at this share of their usual size


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
            if name.endswith(".weight"):
                value.mul_(NEW)
            continue
        old = earlier[name]
        if value.dim() == 0 or old.shape == value.shape:
            value.copy_(old)
            continue
        if "weight" in name:
            value.mul_(NEW)
        copy(value, old, [indices(o, n, groups_of(name, a)) for a, (o, n) in enumerate(zip(old.shape, value.shape))])
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
