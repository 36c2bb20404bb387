"""Choices with a slug for files and code, and words for people."""

from enum import StrEnum
from typing import Self


class Choice(StrEnum):
    """A choice whose value is a slug; ``words`` is how it is read, the slug's own unless said otherwise."""

    words: str

    def __new__(cls, value: str, words: str = "") -> Self:
        """Return a member: its slug, and its words where they differ."""
        member = str.__new__(cls, value)
        member._value_ = value
        member.words = words or value.replace("_", " ")
        return member
