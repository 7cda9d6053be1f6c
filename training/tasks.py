"""What a network is trained for: the stems it gives, the mixtures it learns from, what counts in the loss, how it is measured meanwhile."""
from dataclasses import dataclass
from typing import Callable

import evaluate
import field_score
import mix
import parts
import parts_score


@dataclass(frozen=True)
class Task:
    stems: tuple
    mixer: Callable       # (split, seed, transform)
    weights: tuple        # of the stems in the loss, and of the first two together where the mixer gives their sum; 1 in all
    brief: Callable       # of a waveform.Separator


SCENE = Task(mix.STEMS, mix.Mixer, (0.05, 0.05, 0.22, 0.28, 0.4), lambda network: field_score.brief(evaluate.waveform(network)))
MUSIC = Task(parts.MUSIC, parts.MusicMixer, (0.24, 0.2, 0.16, 0.2, 0.2), lambda network: parts_score.brief(network, "music"))
AMBIENCE = Task(parts.AMBIENCE, parts.AmbienceMixer, (0.5, 0.5), lambda network: parts_score.brief(network, "ambience"))


OF = {"m": "music", "s": "ambience"}   # kinds of model.KINDS that take a stem apart, and which


def of(kind):
    """The Task of a kind of model.KINDS."""
    return {"music": MUSIC, "ambience": AMBIENCE}.get(OF.get(kind), SCENE)
