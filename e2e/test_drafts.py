"""What is typed and not saved, in Chromium: half a figure, a second tab, a device that keeps nothing."""

from playwright.sync_api import Page, expect

from e2e.browser import PASSWORD, BrowserTestCase

NO_STORAGE = "indexedDB.open = () => { throw new DOMException('off', 'SecurityError'); };"


class DraftsTest(BrowserTestCase):
    def brief(self, page: Page) -> None:
        self.open_job(page, "Wren", "Brief")

    def test_half_a_figure_is_there_again_after_a_reload(self) -> None:
        page = self.page_of("fabricator")
        self.brief(page)
        mass = page.get_by_label("Kerb mass", exact=True)
        mass.fill("11 1/")
        page.wait_for_timeout(600)
        page.reload()
        expect(page.get_by_text("were not saved; here they are again")).to_be_visible()
        expect(mass).to_have_value("11 1/")
        mass.fill("1105 kg")
        mass.press("Tab")
        page.get_by_role("button", name="Save", exact=True).click()
        expect(page.get_by_text("rev 2, saved")).to_be_visible()
        page.reload()
        expect(mass).to_have_value("1105 kg")
        expect(page.get_by_text("were not saved")).to_have_count(0)

    def test_one_tab_s_save_leaves_the_other_s_edits_alone(self) -> None:
        context = self.context()
        one = self.page_of("fabricator", context)
        self.brief(one)
        other = context.new_page()
        other.goto(one.url)
        expect(other.get_by_label("Kerb mass", exact=True)).to_be_visible()
        expect(other.get_by_text("were not saved")).to_have_count(0)
        one.get_by_label("Kerb mass", exact=True).fill("1105 kg")
        one.get_by_label("Kerb mass", exact=True).press("Tab")
        other.get_by_label("Top speed", exact=True).fill("111 km/h")
        other.get_by_label("Top speed", exact=True).press("Tab")
        other.get_by_role("button", name="Save", exact=True).click()
        expect(other.get_by_text("rev 2, saved")).to_be_visible()
        one.wait_for_timeout(500)
        one.reload()
        expect(one.get_by_label("Kerb mass", exact=True)).to_have_value("1105 kg")
        expect(one.get_by_role("dialog")).to_contain_text("saved revision 2")
        one.close()

    def test_edits_of_a_tab_that_was_closed_come_back_in_the_next(self) -> None:
        context = self.context()
        one = self.page_of("fabricator", context)
        self.brief(one)
        one.get_by_label("Kerb mass", exact=True).fill("1105 kg")
        one.get_by_label("Kerb mass", exact=True).press("Tab")
        one.wait_for_timeout(500)
        address = one.url
        one.close()
        next_one = context.new_page()
        next_one.goto(address)
        expect(next_one.get_by_label("Kerb mass", exact=True)).to_have_value("1105 kg")
        expect(next_one.get_by_text("were not saved; here they are again")).to_be_visible()

    def test_a_device_that_keeps_nothing_says_so_before_anything_is_lost(self) -> None:
        context = self.context()
        context.add_init_script(NO_STORAGE)
        page = self.page_of("fabricator", context)
        self.brief(page)
        page.get_by_label("Kerb mass", exact=True).fill("1105 kg")
        page.get_by_label("Kerb mass", exact=True).press("Tab")
        expect(page.get_by_role("alert").filter(has_text="keeps no edits")).to_be_visible()
        page.get_by_role("button", name="Save", exact=True).click()
        expect(page.get_by_text("rev 2, saved")).to_be_visible()


class OwnPasswordTest(BrowserTestCase):
    def test_a_password_is_changed_and_the_other_device_is_signed_out(self) -> None:
        here, elsewhere = self.page_of("fabricator"), self.page_of("fabricator")
        here.get_by_role("button", name="fabricator").click()
        here.get_by_label("As it is").fill("wrong")
        here.get_by_label("A new one, ten letters or more").fill("three brass bushes")
        here.get_by_role("button", name="Change it").click()
        expect(here.get_by_role("alert")).to_contain_text("not your password")
        here.get_by_label("As it is").fill(PASSWORD)
        here.get_by_role("button", name="Change it").click()
        expect(here.get_by_role("status").filter(has_text="changed")).to_contain_text("1 other sign-in ended")
        elsewhere.reload()
        expect(elsewhere.get_by_role("button", name="Sign in")).to_be_visible()
