"""The optimiser: momentum made orthogonal for matrices and convolutions, AdamW for the rest.

Jordan et al., "Muon: An optimizer for hidden layers in neural networks" (2024): every step of a matrix is replaced by the nearest
matrix with equal singular values, found with five Newton-Schulz iterations, so that rare directions learn as fast as common ones.
"""
import torch


def orthogonal(g, iterations=5):
    """The polar factor of a matrix, roughly (singular values within 0.7 ... 1.2).

    Every iterate is a polynomial of the short side's Gram matrix times g, so only that small matrix is iterated."""
    a, b, c = 3.4445, -4.7750, 2.0315  # the coefficients of the paper
    tall = g.size(0) > g.size(1)
    x = g.T if tall else g
    x = x / (x.norm() + 1e-12)
    gram, one = x @ x.T, torch.eye(x.size(0))
    factor = one
    for _ in range(iterations):
        step = a * one + b * gram + c * gram @ gram
        factor = step @ factor
        gram = step @ gram @ step
    x = factor @ x
    return x.T if tall else x


class Muon(torch.optim.Optimizer):
    """matrix_rate for parameters with two or more axes (a convolution counts as out x in*3*3), rate for the others.

    `scale` multiplies both and is set by the schedule."""

    def __init__(self, net, matrix_rate, rate, momentum=0.95, decay=0.01):
        self.scale, self.momentum, self.decay = 1.0, momentum, decay
        super().__init__([{"params": [p for p in net.parameters() if p.dim() > 1], "lr": matrix_rate, "matrix": True},
                          {"params": [p for p in net.parameters() if p.dim() <= 1], "lr": rate, "matrix": False}], {})

    @torch.no_grad()
    def step(self):
        for group in self.param_groups:
            rate = group["lr"] * self.scale
            for p in group["params"]:
                state = self.state[p]
                if not state:
                    state["count"], state["first"] = 0, torch.zeros_like(p)
                    if not group["matrix"]:
                        state["second"] = torch.zeros_like(p)
                state["count"] += 1
                if group["matrix"]:
                    state["first"].mul_(self.momentum).add_(p.grad)
                    ahead = p.grad + self.momentum * state["first"]
                    turned = orthogonal(ahead.reshape(p.size(0), -1))
                    p.mul_(1 - rate * self.decay)
                    p.add_(turned.view_as(ahead), alpha=-rate * max(1.0, p.size(0) / turned.size(1)) ** 0.5)
                else:
                    state["first"].lerp_(p.grad, 0.1)
                    state["second"].lerp_(p.grad ** 2, 0.02)
                    first = state["first"] / (1 - 0.9 ** state["count"])
                    second = state["second"] / (1 - 0.98 ** state["count"])
                    p.add_(first / (second.sqrt() + 1e-8), alpha=-rate)
