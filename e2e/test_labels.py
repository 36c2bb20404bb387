import re

from e2e.browser import BrowserTestCase
from e2e.labels import labels_that_meet

# Each bench where a demo job has most to draw on it.
DRAWN = {
    "Wren": ("Brief", "Ratios", "Placement", "Coupler", "Adapter plate"),
    "Bittern": ("Ratios", "Placement", "Mounts", "Axles & propshafts"),
    "Plover": ("Brief", "Ratios", "Placement", "Mounts", "Axles & propshafts"),
    "Dunlin": ("Brief",),
}
FIGURE_AS_DATA = re.compile(r"\{-?[\d.]+\|")  # that nobody wrote in the reader's units


# Of the Line's stations: those whose figures, in one line, are wider than they are.
SPILLED = """() => [...document.querySelectorAll('[aria-label="The Line, motor to road"] button')]
  .filter((one) => [...one.children].some((part) => part.getBoundingClientRect().width > one.clientWidth + 1))
  .map((one) => one.innerText)"""


class LabelsTest(BrowserTestCase):
    maxDiff = None

    def test_no_station_of_a_line_with_branches_prints_over_the_next(self) -> None:
        for size in ({"width": 1280, "height": 800}, {"width": 390, "height": 844}):
            page = self.page_of("fabricator", viewport=size)
            for job in ("Bittern", "Avocet"):
                page.goto(self.live_server_url)
                self.open_job(page, job, "Ratios")
                for case in ("Launch", "Cruise", "Reverse"):
                    page.get_by_role("radio", name=case).click()
                    with self.subTest(job, case=case, **size):
                        self.assertEqual(page.evaluate(SPILLED), [])

    def test_no_label_of_a_plot_or_drawing_lies_on_another_or_is_cut(self) -> None:
        for size in ({"width": 1280, "height": 800}, {"width": 390, "height": 844}):
            page = self.page_of("fabricator", viewport=size)
            for job, benches in DRAWN.items():
                for bench in benches:
                    page.goto(self.live_server_url)
                    self.open_job(page, job, bench)
                    tabs = page.get_by_role("main").get_by_role("tab")
                    for tab in [name.strip() for name in tabs.all_inner_texts()]:
                        page.get_by_role("main").get_by_role("tab", name=tab, exact=True).click()
                        page.wait_for_timeout(150)
                        with self.subTest(job, bench=bench, tab=tab, **size):
                            self.assertEqual(labels_that_meet(page), [])
                            self.assertNotRegex(page.locator("body").inner_text(), FIGURE_AS_DATA)
