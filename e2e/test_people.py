"""A shop of one's own in Chromium: started, others asked in, a role taken away while its holder edits."""

import re

from playwright.sync_api import Page, expect

from accounts.models import Membership, Role
from e2e.browser import BrowserTestCase
from jobs.models import Job

EXPECTED_AS_WELL = ("status of 403", "status of 404")


class PeopleTest(BrowserTestCase):
    def _note(self, kind: str, text: str) -> None:
        if not any(expected in text for expected in EXPECTED_AS_WELL):
            super()._note(kind, text)

    def come_in(self, page: Page, name: str, username: str) -> None:
        page.get_by_label("Your name, as it stands on drawings").fill(name)
        page.get_by_label("The name you sign in with").fill(username)
        page.get_by_label("A password, ten letters or more").fill("a quiet harbour wall")

    def refused_at_the_door(self) -> None:
        demo = self.context().new_page()
        demo.goto(self.live_server_url)
        demo.get_by_label("Name").fill("viewer")
        demo.get_by_label("Password").fill("only-for-tests")
        demo.get_by_role("button", name="Sign in").click()
        expect(demo.get_by_role("alert")).to_contain_text("wrong")

    def test_a_shop_is_started_from_the_demo_and_somebody_comes_in_by_a_link(self) -> None:
        page = self.page_of("owner")
        page.get_by_role("button", name="Start a shop of your own").click()
        page.get_by_label("What the shop is called").fill("Northgate Conversions")
        self.come_in(page, "North Owner", "north")
        page.get_by_role("button", name="Start the shop").click()
        expect(page.get_by_text("No jobs yet.")).to_be_visible()
        page.get_by_role("button", name="New job").click()
        page.get_by_label("Name", exact=True).fill("Quay cart")
        page.get_by_role("button", name="Start the job").click()
        page.get_by_role("link", name="Fernback: all jobs").click()
        expect(page.get_by_role("link", name=re.compile("^Quay cart"))).to_be_visible()
        page.get_by_role("link", name="People of Northgate Conversions").click()
        page.get_by_role("button", name="Make a link").click()
        link = page.get_by_role("textbox", name="The link").input_value()
        page.get_by_role("button", name="Done").click()

        other = self.context().new_page()
        other.goto(link)
        expect(other.get_by_text("North Owner asks you in as a fabricator.")).to_be_visible()
        self.come_in(other, "North Fabricator", "north.fab")
        other.get_by_role("button", name="Come in").click()
        expect(other.get_by_role("button", name="New job")).to_be_visible()
        other.goto(link)
        expect(other.get_by_role("alert")).to_contain_text("This link was used already")

        page.reload()
        people = page.get_by_role("list", name="People of the shop")
        expect(people.get_by_role("listitem")).to_have_count(2)
        expect(people).to_contain_text("North Fabricator")
        page.get_by_label("What the shop is called").fill("Northgate Works")
        page.get_by_label("What the shop is called").press("Enter")
        expect(page.get_by_role("banner")).to_contain_text("Northgate Works")
        page.get_by_label("What North Owner may do").select_option("viewer")
        expect(page.get_by_role("alert")).to_contain_text("only owner")
        expect(page.get_by_label("What North Owner may do")).to_have_value("owner")
        page.get_by_role("button", name="Put it away").click()
        expect(page.get_by_role("button", name="Fetch it back")).to_be_visible()
        self.refused_at_the_door()

    def test_edits_of_somebody_demoted_are_refused_and_kept(self) -> None:
        page = self.page_of("fabricator")
        self.open_job(page, "Dunlin", "Brief")
        mass = page.get_by_label("Kerb mass", exact=True)
        mass.fill("1234 kg")
        mass.press("Tab")
        place = Membership.objects.get(user__username="fabricator")
        owner = self.page_of("owner")
        owner.get_by_role("link", name="People of").click()
        owner.get_by_label("What fabricator may do").select_option("viewer")
        expect(owner.get_by_text("Made fabricator viewer.")).to_be_visible()
        page.get_by_role("button", name="Save", exact=True).click()
        expect(page.get_by_role("alert").first).to_contain_text("Ask the shop's owner")
        expect(mass).to_have_value("1234 kg")
        self.assertEqual(Job.objects.get(name="Dunlin").versions.count(), 1)
        Membership.objects.filter(pk=place.pk).update(role=Role.FABRICATOR)
        page.reload()
        expect(page.get_by_text("were not saved; here they are again")).to_be_visible()
        expect(mass).to_have_value("1234 kg")

    def test_a_job_is_deleted_by_its_typed_name_once_it_is_put_away(self) -> None:
        page = self.page_of("owner")
        expect(page.get_by_role("button", name=re.compile("^Delete"))).to_have_count(0)
        page.get_by_role("button", name="Put away Avocet").click()
        page.get_by_label("those put away").check()
        page.get_by_role("button", name="Delete Avocet").click()
        dialog = page.get_by_role("dialog")
        expect(dialog.get_by_role("link", name="Keep its job file first")).to_be_visible()
        gone = dialog.get_by_role("button", name="Delete it for good")
        expect(gone).to_be_disabled()
        dialog.get_by_label("Type its name").fill("Avocet")
        gone.click()
        expect(page.get_by_role("listitem").filter(has_text="Avocet")).to_have_count(0)
        self.assertFalse(Job.objects.filter(name="Avocet").exists())


class TogetherTest(BrowserTestCase):
    def typed(self, page: Page, label: str, text: str) -> None:
        field = page.get_by_label(label, exact=True)
        field.fill(text)
        field.press("Tab")
        expect(page.get_by_text(re.compile("^● edits on rev"))).to_be_visible()

    def test_two_people_see_each_other_and_their_changes_go_together(self) -> None:
        first, second = self.page_of("fabricator"), self.page_of("owner")
        for page in (first, second):
            self.open_job(page, "Dunlin", "Brief")
        expect(first.get_by_text("here too: owner: Brief")).to_be_visible()
        self.typed(second, "Top speed", "115 km/h")
        second.get_by_role("button", name="Save", exact=True).click()
        expect(
            first.get_by_role("status").filter(has_text="owner saved revision 2").filter(has_text="this is it")
        ).to_be_visible()
        expect(first.get_by_label("Top speed", exact=True)).to_have_value("115 km/h")

        self.typed(first, "Kerb mass", "1310 kg")
        self.typed(second, "Top speed", "112 km/h")
        second.get_by_role("button", name="Save", exact=True).click()
        first.get_by_role("button", name="Lay yours over theirs").click()
        expect(first.get_by_text("You changed different fields")).to_be_visible()
        first.get_by_role("button", name="Lay mine over theirs").click()
        expect(first.get_by_label("Top speed", exact=True)).to_have_value("112 km/h")
        expect(first.get_by_label("Kerb mass", exact=True)).to_have_value("1310 kg")
        first.get_by_role("button", name="Save", exact=True).click()
        expect(first.get_by_text("rev 4, saved")).to_be_visible()

    def test_a_field_that_both_changed_is_asked_about(self) -> None:
        first, second = self.page_of("fabricator"), self.page_of("owner")
        for page, mass in ((first, "1310 kg"), (second, "1290 kg")):
            self.open_job(page, "Dunlin", "Brief")
            self.typed(page, "Kerb mass", mass)
        second.get_by_role("button", name="Save", exact=True).click()
        expect(second.get_by_text("rev 2, saved")).to_be_visible()
        first.get_by_role("button", name="Save", exact=True).click()
        lay = first.get_by_role("button", name="Lay mine over theirs")
        expect(lay).to_be_disabled()
        choice = first.get_by_role("radiogroup", name="brief › vehicle › kerb mass")
        choice.get_by_label("1290 kg").check()
        lay.click()
        expect(first.get_by_label("Kerb mass", exact=True)).to_have_value("1290 kg")
        first.get_by_role("button", name="Undo").click()
        expect(first.get_by_label("Kerb mass", exact=True)).to_have_value("1310 kg")

    def test_an_old_revision_is_looked_at_on_the_benches_and_left_as_it_is(self) -> None:
        page = self.page_of("fabricator")
        self.open_job(page, "Dunlin", "Brief")
        self.typed(page, "Kerb mass", "1310 kg")
        page.get_by_role("button", name="Save", exact=True).click()
        expect(page.get_by_text("rev 2, saved")).to_be_visible()
        page.get_by_role("button", name="revisions").click()
        page.get_by_role("dialog").get_by_role("button", name="rev 1").click()
        page.get_by_role("button", name="Look at it on the benches").click()
        expect(page.get_by_text("Revision 1 of 2, as fabricator saved it")).to_be_visible()
        expect(page.get_by_label("Kerb mass", exact=True)).to_have_value("1190 kg")
        expect(page.get_by_label("Kerb mass", exact=True)).to_be_disabled()
        page.get_by_role("navigation", name="Steps").get_by_role("link", name="Ratios").click()
        expect(page.get_by_text("Revision 1 of 2, as fabricator saved it")).to_be_visible()
        page.get_by_role("link", name="Back to the newest").click()
        expect(page.get_by_text("rev 2, saved")).to_be_visible()
