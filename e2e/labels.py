"""Labels of the drawings and plots on the screen: none may lie on another, none may be cut."""

from playwright.sync_api import Page

MEETING = """() => {
  const LEADING = 0.15; // of a line's height, over and under its letters
  const less = (a, b) => a < b - 1;
  const meet = (a, b) =>
    less(a.left, b.right) && less(b.left, a.right) && less(a.top, b.bottom) && less(b.top, a.bottom);
  return [...document.querySelectorAll('svg')].filter((svg) => svg.checkVisibility()).flatMap((svg) => {
    const frame = svg.getBoundingClientRect();
    const texts = [...svg.querySelectorAll('text')].filter((one) => one.textContent.trim() && one.checkVisibility());
    const all = texts.map((one) => {
      const { left, right, top, bottom, height } = one.getBoundingClientRect();
      return [one.textContent.trim(), { left, right, top: top + LEADING * height, bottom: bottom - LEADING * height }];
    });
    const cut = all.filter(([, box]) => box.left < frame.left - 1 || box.right > frame.right + 1);
    const pairs = all.flatMap(([a, one], k) =>
      all.slice(k + 1).filter(([, other]) => meet(one, other)).map(([b]) => `${a} on ${b}`));
    return [...pairs, ...cut.map(([text]) => `${text} is cut`)];
  });
}"""


def labels_that_meet(page: Page) -> list[str]:
    """Return the labels of visible drawings that lie on one another or are cut."""
    found: list[str] = page.evaluate(MEETING)
    return found
