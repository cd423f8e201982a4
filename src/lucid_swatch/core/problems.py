"""The errors that may cross a layer. Each says what is wrong, where, and what to do.

Problem
├── Refused        the input cannot be used
├── NotThere       what was asked for does not exist
└── AlreadyThere   what was to be made exists
"""

from dataclasses import dataclass


class Problem(Exception):
    """Something a person can act on: what happened, where, and what to do about it."""

    def __init__(self, what: str, where: str = "", do: str = "") -> None:
        super().__init__(what)
        self.what, self.where, self.do = what, where, do

    def __str__(self) -> str:
        place = f"{self.where}: " if self.where else ""
        return f"{place}{self.what}" + (f" {self.do}" if self.do else "")


@dataclass(frozen=True, slots=True)
class ProblemText:
    """What a problem said, as it is kept and shown."""

    what: str
    where: str = ""
    do: str = ""

    @classmethod
    def of(cls, problem: Problem) -> "ProblemText":
        """The text of a problem."""
        return cls(problem.what, problem.where, problem.do)


class Refused(Problem):
    """The input cannot be used."""


class NotThere(Problem):
    """What was asked for does not exist."""


class AlreadyThere(Problem):
    """What was to be made exists."""
