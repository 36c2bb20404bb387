"""Deciding the gearing: what mends it, what it costs, why it was taken, and with parts from the shop's library."""

import re

from playwright.sync_api import Page, expect

from e2e.browser import BrowserTestCase


def saved(page: Page, number: int) -> None:
    page.get_by_role("button", name="Save", exact=True).click()
    expect(page.get_by_role("status").filter(has_text=f"rev {number}, saved")).to_be_visible()


class OutOfMotorSpeedTest(BrowserTestCase):
    def test_the_bench_says_so_shows_what_mends_it_and_it_is_taken(self) -> None:
        page = self.page_of("fabricator")
        self.open_job(page, "Bittern", "Ratios")
        check = page.get_by_role("button", name="Motor speed at the wanted top speed")
        expect(check).to_contain_text(re.compile(r"24\s665\srpm at 95\skm/h; the motor turns 15\s500"))
        banner = page.get_by_role("status").filter(has_text="9.1 unit · high · 4.11 does not reach 95 km/h")
        expect(banner).to_contain_text("Final drive 2.05 does it: 120 km/h")
        banner.get_by_role("button", name="put it beside: 9.1 unit · high · 2.05").click()
        expect(page.get_by_role("button", name="Unpin 9.1 unit · high · 2.05")).to_be_visible()
        banner.get_by_role("button", name="Take 9.1 unit · high · 2.05").click()
        page.get_by_label("Why this one?").fill("Reaches the valley road's 95 and still starts laden.")
        page.get_by_role("button", name="Choose it").click()
        expect(banner).to_have_count(0)
        expect(check.filter(has_text="Holds")).to_be_visible()
        line = page.get_by_role("region", name="The Line, motor to road")
        expect(
            line.get_by_role("button", name=re.compile(r"^front Final drive 2\.05.*: open its bench$"))
        ).to_be_visible()
        saved(page, 2)
        page.get_by_role("button", name="What was chosen before").click()
        history = page.get_by_role("dialog", name="What was chosen, and why").get_by_role("listitem")
        expect(history).to_have_count(2)
        expect(history.first).to_contain_text("Reaches the valley road's 95")
        expect(history.last).to_contain_text("the axles keep their 4.11 for now")

    def test_with_nothing_listed_that_does_it_the_ratio_that_would_is_named_and_entered(self) -> None:
        page = self.page_of("fabricator")
        self.open_job(page, "Bittern", "Ratios")
        page.get_by_role("tab", name="What could stand in the line").click()
        page.get_by_role("button", name="Take 2.05 away").click()
        page.get_by_role("tab", name="The trade").click()
        expect(page.get_by_role("status").filter(has_text="a final drive of 2.46 or less")).to_be_visible()
        page.get_by_role("tab", name="What could stand in the line").click()
        ratio = page.get_by_label("Ratio of a final drive", exact=True)
        ratio.fill("abc")
        page.get_by_role("button", name="add a final drive").click()
        expect(page.get_by_role("alert").filter(has_text="does not start with a number")).to_be_visible()
        ratio.fill("31/13")
        page.get_by_role("button", name="add a final drive").click()
        page.get_by_role("tab", name="The trade").click()
        expect(page.get_by_role("status").filter(has_text="Final drive 31/13 does it")).to_be_visible()


class TradeTest(BrowserTestCase):
    def test_filters_leave_out_what_does_not_do_it_and_a_dot_is_pinned(self) -> None:
        page = self.page_of("fabricator")
        self.open_job(page, "Wren", "Ratios")
        rows = page.get_by_role("table", name="All gearings").get_by_role("row")
        expect(rows).to_have_count(17)
        page.get_by_role("checkbox", name="reach 115 km/h").check()
        page.get_by_role("checkbox", name="keep every known rating").check()
        expect(rows).to_have_count(6)
        plot = page.get_by_role("img", name="Time to 50 km/h by top speed")
        table = page.get_by_role("table", name="Gearings side by side")
        dot = plot.locator("circle").nth(7).bounding_box()
        assert dot is not None
        page.mouse.click(dot["x"] + dot["width"] / 2, dot["y"] + dot["height"] / 2)
        expect(table.get_by_role("button", name=re.compile("^Unpin"))).to_have_count(1)
        expect(table.get_by_role("columnheader", name="as it was")).to_be_visible()

    def test_hills_show_what_is_held_at_each_speed(self) -> None:
        page = self.page_of("viewer")
        self.open_job(page, "Wren", "Ratios")
        page.get_by_role("radio", name="hills").click()
        expect(page.get_by_role("img", name="Grade held laden by road speed, 3rd · 4.11")).to_be_visible()
        expect(page.get_by_role("button", name=re.compile("^Choose"))).to_have_count(0)


class LibraryTest(BrowserTestCase):
    def test_a_part_is_taken_kept_and_said_to_have_moved_on(self) -> None:
        page = self.page_of("fabricator")
        self.open_job(page, "Wren", "Ratios")
        page.get_by_role("tab", name="What could stand in the line").click()
        page.get_by_role("button", name="from the library: reduction box").click()
        page.get_by_role("button", name="Take Twin-ratio box").click()
        expect(page.get_by_label("Other ratios of Twin-ratio box")).to_have_value("1.90 2.35")
        expect(page.get_by_role("button", name="kept: Twin-ratio box")).to_be_visible()
        saved(page, 2)
        self._revised_by_another_job(page)
        self.open_job(page, "Wren", "Ratios")
        page.get_by_role("tab", name="What could stand in the line").click()
        page.get_by_role("button", name="library has newer: Twin-ratio box").click()
        expect(page.get_by_role("dialog")).to_contain_text("Asked the maker again")
        page.get_by_role("button", name="Take the newer one").click()
        expect(page.get_by_label("Torque rating of Twin-ratio box")).to_have_value("390 Nm")
        expect(page.get_by_role("button", name="kept: Twin-ratio box")).to_be_visible()

    def _revised_by_another_job(self, page: Page) -> None:
        page.goto(self.live_server_url)
        self.open_job(page, "Plover", "Brief")
        page.get_by_label("Layout").select_option("kept_gearbox")
        page.get_by_role("navigation", name="Steps").get_by_role("link", name="Ratios").click()
        page.get_by_role("tab", name="What could stand in the line").click()
        page.get_by_role("button", name="from the library: reduction box").click()
        page.get_by_role("button", name="Take Twin-ratio box").click()
        rating = page.get_by_label("Torque rating of Twin-ratio box")
        rating.fill("390 Nm")
        rating.press("Tab")
        page.get_by_role("button", name="kept: Twin-ratio box").click()
        page.get_by_label("Where are its figures from?").fill("Asked the maker again")
        page.get_by_role("button", name="Write it back").click()
        expect(page.get_by_role("dialog")).to_have_count(0)
        page.goto(self.live_server_url)


class BriefTest(BrowserTestCase):
    def test_masses_move_the_balance_and_the_ratings_follow(self) -> None:
        page = self.page_of("fabricator")
        self.open_job(page, "Wren", "Brief")
        page.get_by_role("tab", name="Masses").click()
        page.get_by_label("Name of an item").fill("Battery box")
        page.get_by_label("Mass of an item").fill("180 kg")
        page.get_by_role("button", name="add an item").click()
        place = page.get_by_label("forward of Battery box")
        place.fill("behind the seats")
        place.press("Enter")
        expect(page.get_by_role("alert").filter(has_text="does not start with a number")).to_be_visible()
        place.fill("600 mm")
        place.press("Enter")
        height = page.get_by_label("height of Battery box")
        height.fill("450 mm")
        height.press("Enter")
        standing = page.get_by_role("table", name="How it stands")
        # 1080 × 1292.5 + 180 × 600 over 1260 kg is 1193.6 forward: 50.8 % of 2350.
        expect(standing.get_by_role("row", name=re.compile("as it will be"))).to_contain_text("51")
        expect(standing.get_by_role("row", name=re.compile("as it was"))).to_contain_text("55")

    def test_a_motor_curve_is_read_from_a_file_or_refused_with_the_row(self) -> None:
        page = self.page_of("fabricator")
        self.open_job(page, "Wren", "Brief")
        page.get_by_role("tab", name="Motor").click()
        chooser = page.get_by_label("Read its curve from a CSV file…")
        bad = {"name": "curve.csv", "mimeType": "text/csv", "buffer": b"rpm,nm\n0,235\n3000,-1\n"}
        chooser.set_input_files(bad)  # type: ignore[arg-type]
        expect(page.get_by_role("alert").filter(has_text="Row 3")).to_be_visible()
        good = {"name": "curve.csv", "mimeType": "text/csv", "buffer": b"rpm;Nm;Nm cont\n9000;95,5;48\n0;235;120\n"}
        chooser.set_input_files(good)  # type: ignore[arg-type]
        expect(page.get_by_text("A curve of 2 points goes before the peak figures.")).to_be_visible()
        expect(page.get_by_text("Rows were put in order of speed.")).to_be_visible()

    def test_a_new_job_of_two_units_is_led_to_its_answer(self) -> None:
        page = self.page_of("fabricator")
        self.open_job(page, "Plover", "Brief")
        page.get_by_label("Layout").select_option("two_units")
        page.get_by_role("navigation", name="Steps").get_by_role("link", name="Ratios").click()
        line = page.get_by_role("region", name="The Line, motor to road")
        expect(line.get_by_role("group", name="front axle").get_by_role("button")).to_have_count(4)
        page.get_by_role("tab", name="What could stand in the line").click()
        page.get_by_label("Ratio of a front unit").fill("9.7")
        page.get_by_role("button", name="add a front unit").click()
        expect(
            line.get_by_role("button", name=re.compile(r"^front Front drive unit 9\.70.*: open its bench$"))
        ).to_be_visible()
