import re
from pathlib import Path

from playwright.sync_api import Locator, Page, expect

from e2e.browser import BrowserTestCase
from scans.work import work_off

SCAN = Path(__file__).parents[1] / "server" / "jobs" / "demo" / "bittern-floor.ply"
# Where the rails' holes are on it, mm, as the scanner's own program has them.
MATCHES = {
    "left rail, A hole": (1126.4, 824.2, -816.5),
    "left rail, C hole": (59.7, 809.9, -549.4),
    "right rail, A hole": (1313.8, 808.6, -68.8),
    "right rail, C hole": (246.7, 791.9, 196.6),
}


class PlacementTest(BrowserTestCase):
    """All by keyboard: fields are focused and typed into, buttons pressed with Enter."""

    def field(self, page: Page, label: str | re.Pattern[str]) -> Locator:
        """A field of the open tab: the others keep theirs, out of sight."""
        return page.get_by_role("main").get_by_label(label, exact=isinstance(label, str)).locator("visible=true")

    def press(self, place: Locator) -> None:
        place.focus()
        place.press("Enter")

    def typed(self, page: Page, label: str | re.Pattern[str], value: str) -> None:
        field = self.field(page, label)
        field.focus()
        field.fill(value)
        field.press("Tab")

    def named(self, page: Page, label: str, name: str, button: str) -> None:
        field = self.field(page, label)
        field.focus()
        field.fill(name)
        field.press("Enter")
        expect(page.get_by_role("button", name=button)).to_be_visible()

    def tab(self, page: Page, name: str) -> None:
        self.press(page.get_by_role("main").get_by_role("tab", name=name, exact=True))

    def box(self, page: Page, at: tuple[float, float, float], size: tuple[float, float, float]) -> None:
        self.field(page, "Taken as").select_option("box")
        self.field(page, "It stands").select_option("square")
        for label, value in zip(("Length, along", "Width, across", "Height"), size, strict=True):
            self.typed(page, label, f"{value:g}")
        for way, value in zip(("forward", "to the left", "up"), at, strict=True):
            self.typed(page, f"Its middle, {way}", f"{value:g}")

    def check(self, page: Page, title: str, verdict: str) -> None:
        row = page.get_by_role("button", name=re.compile(f"^{title}")).filter(has_text=verdict)
        expect(row).to_be_visible(timeout=20_000)  # a scan is drawn by the processor here

    def test_a_newcomer_puts_a_unit_between_two_rails(self) -> None:
        page = self.page_of("fabricator")
        self.press(page.get_by_role("button", name="New job"))
        page.get_by_label("Name", exact=True).fill("Pier cart")
        page.get_by_role("radio", name="drive unit on one axle").check()
        self.press(page.get_by_role("button", name="Start the job"))
        self.press(page.get_by_role("navigation", name="Steps").get_by_role("link", name="Placement"))
        for side, y in (("left", 300), ("right", -300)):
            for end, x in (("rear", -500), ("front", 500)):
                name = f"{side} rail, {end} hole"
                self.named(page, "Name of a point", name, f"Take {name} away")
                for way, value in (("forward of", x), ("left of", y), ("height of", 300)):
                    self.typed(page, f"{way} {name}", str(value))
            self.named(page, "Name of a body", f"{side} rail", f"Take {side} rail away")
            self.field(page, "It is").select_option("fixed")
            self.field(page, "Taken as").select_option("rail")
            self.typed(page, "Width of its section", "60")
            self.typed(page, "Height of its section", "80")
            for k, end in enumerate(("rear", "front"), start=1):
                self.press(page.get_by_role("button", name="add a place"))
                self.field(page, f"Point of place {k}").select_option(f"{side} rail, {end} hole")
        self.field(page, "Nothing hot or moving near it").press(" ")
        self.tab(page, "Unit")
        self.named(page, "Name of a body", "gear case", "Take gear case away")
        self.box(page, (0, 0, 0), (300, 560, 200))
        self.tab(page, "Pose")
        self.field(page, "Name of a way to stand").fill("as made")
        self.field(page, "Name of a way to stand").press("Enter")
        self.field(page, "Stands").select_option("as_made")
        for way, value in (("forward", "0"), ("to the left", "0"), ("up", "320")):
            self.typed(page, f"Its origin, {way}", value)
        for angle in ("Right side down", "Nose down", "Nose left"):
            self.typed(page, angle, "0")
        self.check(page, "Clear of sheet and frame", "overlap by 10.0 mm")
        view = page.get_by_role("application", name=re.compile("^Side"))
        view.focus()
        for _ in range(5):
            view.press("ArrowUp")  # 10 mm each: over the rails it goes
        expect(self.field(page, "Its origin, up")).to_have_value("370 mm")
        for _ in range(11):
            view.press("ArrowUp")
        self.check(page, "Clear of sheet and frame", "Holds")

    def test_turned_end_for_end_the_oil_pump_objects_and_it_is_chosen_with_a_reason(self) -> None:
        page = self.page_of("fabricator")
        self.open_job(page, "Plover", "Placement")
        table = page.get_by_role("table", name="Which way round")
        expect(table.get_by_role("row", name=re.compile("^end for end"))).to_contain_text("oil pump stops")
        table.get_by_role("radio", name=re.compile("^end for end")).press(" ")
        self.check(page, "Oil is pumped as it stands", "Fails")
        table.get_by_role("radio", name=re.compile("^as made")).press(" ")
        self.check(page, "Oil is pumped as it stands", "Holds")
        self.typed(page, "Why it stands so", "Its pump turns its usual way.")
        self.press(page.get_by_role("button", name="Save"))
        page.reload()
        expect(self.field(page, "Why it stands so")).to_have_value("Its pump turns its usual way.")

    def test_a_way_in_is_played_and_a_bracket_goes_on_after(self) -> None:
        page = self.page_of("fabricator")
        self.open_job(page, "Plover", "Placement")
        self.tab(page, "Room")
        self.press(page.get_by_role("button", name="tail bracket", exact=True))
        self.field(page, "It").select_option("stays")
        self.check(page, "It goes in", "Fails")
        self.field(page, "It").select_option("after")
        self.typed(page, "Goes on after move", "2")
        self.check(page, "It goes in", "Holds")
        self.tab(page, "Way in")
        slider = self.field(page, "Play it back")
        slider.focus()
        slider.press("Home")
        expect(slider).to_have_value("0")
        expect(page.get_by_role("application", name=re.compile("^Top"))).to_have_attribute("aria-label", "Top view. ")
        slider.press("End")
        expect(page.get_by_role("application", name=re.compile("^Top"))).to_have_attribute(
            "aria-label", "Top view. Arrow keys move the unit"
        )

    def test_a_scan_is_brought_and_laid_and_the_point_that_is_off_is_named(self) -> None:
        page = self.page_of("fabricator")
        self.open_job(page, "Bittern", "Placement")
        self.tab(page, "Room")
        self.press(page.get_by_role("button", name="Take floor and rails, scanned away"))
        self.check(page, "Clear of sheet and frame", "Holds")
        self.named(page, "Name of a body", "floor from below", "Take floor from below away")
        self.field(page, "It is").select_option("fixed")
        self.field(page, "Taken as").select_option("scan")
        self.bring_the_floor(page)
        self.field(page, "Its file is in").select_option("mm")
        self.field(page, "Up in its file is").select_option("y")
        self.typed(page, "Its surface may be out", "0.5")
        self.field(page, "Small loose bits in it").select_option("are dust")
        self.field(page, "It is laid").select_option("points")
        for k, (point, at) in enumerate(MATCHES.items(), start=1):
            self.press(page.get_by_role("button", name="add a point", exact=True).first)
            self.field(page, f"Point on the vehicle of point {k}").select_option(point)
            off = 40 if k == 2 else 0
            for axis, value in zip("xyz", (at[0], at[1] + off, at[2]), strict=True):
                self.typed(page, f"{axis} on the scan of point {k}", f"{value:g}")
        self.check(page, "Scans lie true", "Fails")
        expect(page.get_by_role("main")).to_contain_text("left rail, C hole")
        self.typed(page, "y on the scan of point 2", f"{MATCHES['left rail, C hole'][1]:g}")
        self.check(page, "Scans lie true", "Holds")
        self.check(page, "Clear of sheet and frame", "overlap by")
        self.press(page.get_by_role("button", name="find points on it"))
        picture = page.get_by_role("application", name=re.compile("^The scan"))
        picture.focus()
        for _ in range(3):
            picture.press("ArrowUp")
        self.field_in(page, "next is").select_option("a new point")
        picture.focus()
        picture.press("Enter")
        expect(page.get_by_role("dialog")).to_contain_text(re.compile(r"point 5: -?\d+\.\d ±\d+\.\d\d mm"))
        page.keyboard.press("Escape")
        self.press(page.get_by_role("button", name="Take of point 5 away"))
        self.check(page, "Scans lie true", "Holds")

    def bring_the_floor(self, page: Page) -> None:
        """Cut short it is refused; whole it is made ready."""
        data = SCAN.read_bytes().replace(b"1.0\n", b"1.0\ncomment of another day\n", 1)
        chooser = page.get_by_label(re.compile("^bring its file"))
        chooser.set_input_files(files=[{"name": "floor.ply", "mimeType": "model/ply", "buffer": data[:-1000]}])
        expect(page.get_by_role("alert")).to_contain_text("its head claims")
        chooser.set_input_files(files=[{"name": "floor.ply", "mimeType": "model/ply", "buffer": data}])
        expect(page.get_by_role("status").filter(has_text="Making ready")).to_be_visible()
        self.assertEqual(work_off(), 1)
        expect(page.get_by_role("main")).to_contain_text("floor.ply, 23 583 triangles")

    def field_in(self, page: Page, label: str) -> Locator:
        return page.get_by_role("dialog").get_by_label(label)

    def test_the_unit_is_dragged_in_steps_and_taken_back_at_once(self) -> None:
        page = self.page_of("fabricator")
        self.open_job(page, "Plover", "Placement")
        unit = page.get_by_role("application", name=re.compile("^Side")).locator("g.cursor-move").first
        box = unit.bounding_box()
        assert box is not None
        x, y = box["x"] + box["width"] / 2, box["y"] + box["height"] / 2
        self.as_one_gesture(page)
        page.mouse.move(x, y)
        page.mouse.down()
        page.mouse.move(x - 20, y, steps=5)
        page.mouse.up()
        forward = self.field(page, "Its origin, forward")
        expect(forward).not_to_have_value("-10 mm")
        expect(forward).to_have_value(re.compile("^-\\d+0 mm$"))  # by whole steps of 10
        page.get_by_role("button", name="Undo").click()
        expect(forward).to_have_value("-10 mm")
