"""Motor curves as data sheets and dynamometers write them: read, mended with a note, or refused with a reason."""

from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from driveline.reading.csv_in import UnreadableFile
from driveline.reading.curve_csv import GREATEST_BYTES, read_motor_curve

THREE = ((0.0, 200.0, 90.0), (3000.0, 180.0, 80.0), (6000.0, 90.0, 50.0))
GOOD = {
    "as documented": "rpm,nm_peak,nm_continuous\n0,200,90\n3000,180,80\n6000,90,50\n",
    "no header": "0,200,90\n3000,180,80\n6000,90,50",
    "semicolons and decimal commas": "rpm;Nm peak;Nm cont\n0;200,0;90,0\n3000,0;180;80\n6.000,0;90;50\n",
    "tabs": "rpm\tpeak Nm\tcontinuous Nm\n0\t200\t90\n3000\t180\t80\n6000\t90\t50\n",
    "other order of columns": (
        "continuous torque (Nm),speed (1/min),peak torque (Nm)\n90,0,200\n80,3000,180\n50,6000,90\n"
    ),
    "unsorted": "rpm,nm_peak,nm_cont\n6000,90,50\n0,200,90\n3000,180,80\n",
    "blank lines, comments and a mark of byte order": (
        "\ufeffrpm,nm_peak,nm_continuous\n\n# cold\n0,200,90\n3000,180,80\n6000,90,50\n\n"
    ),
    "the same row twice": "0,200,90\n3000,180,80\n3000,180,80\n6000,90,50\n",
    "lines ended as elsewhere": "0,200,90\r\n3000,180,80\r\n6000,90,50\r\n",
}
REFUSED = {
    "empty": ("", "empty"),
    "blank": ("\n\n \n", "empty"),
    "one row": ("rpm,nm\n0,200\n", "fewer than two"),
    "one speed": ("0,200\n0,200\n", "one speed"),
    "negative torque": ("0,200\n3000,-180\n", "Row 2: a torque of -180"),
    "negative speed": ("-100,200\n3000,180\n", "Row 1: a speed of -100"),
    "a speed twice with two torques": ("0,200\n3000,180\n3000,150\n", "3000 rpm comes twice"),
    "words among figures": ("rpm,nm\n0,200\nabout 3000,180\n", "Row 3: “about 3000”"),
    "a gap": ("rpm,nm\n0,200\n3000,\n", "Row 3: “” is not a torque"),
    "no number at all": ("0,nan\n100,5\n", "Row 1"),
    "infinite": ("0,200\ninf,5\n", "Row 2"),
    "a header that names neither": ("time,volts\n0,12\n1,13\n", "names no speed or no torque"),
    "one column": ("200\n180\n", "one figure only"),
    "another unit": ("0,200\n900000,180\n", "Is it another unit?"),
    "a picture": ("\0PNG\0", "not a text file"),
}


class CurveCsvTest(TestCase):
    def test_every_good_form_reads_alike(self) -> None:
        for name, text in GOOD.items():
            with self.subTest(name):
                self.assertEqual(read_motor_curve(text.encode()).points, THREE)

    def test_what_was_mended_is_said(self) -> None:
        self.assertIn("order of speed", read_motor_curve(GOOD["unsorted"].encode()).notes[0])
        self.assertIn("twice", read_motor_curve(GOOD["the same row twice"].encode()).notes[0])
        self.assertEqual(read_motor_curve(GOOD["as documented"].encode()).notes, ())
        patchy = read_motor_curve(b"0,200,90\n3000,180,\n6000,90,50\n")
        self.assertEqual(patchy.points[0], (0.0, 200.0, None))
        self.assertIn("Continuous torque is missing", patchy.notes[0])

    def test_units_of_the_header_are_turned(self) -> None:
        curve = read_motor_curve(b"speed rad/s;torque lb-ft\n0;100\n104,72;50\n")
        self.assertAlmostEqual(curve.points[0][1], 135.58, places=2)
        self.assertAlmostEqual(curve.points[1][0], 1000.0, delta=0.1)
        self.assertIn("Units", curve.notes[0])

    def test_what_can_not_be_read_is_refused_with_the_row_and_the_fix(self) -> None:
        for name, (text, words) in REFUSED.items():
            with self.subTest(name), self.assertRaises(UnreadableFile) as caught:
                read_motor_curve(text.encode())
            self.assertIn(words, str(caught.exception))
            self.assertTrue(caught.exception.fix)

    def test_50_mb_are_refused_before_they_are_read(self) -> None:
        with self.assertRaisesRegex(UnreadableFile, "larger than 1 MB"):
            read_motor_curve(b"0,1\n" * (50_000_000 // 4))
        with self.assertRaisesRegex(UnreadableFile, "rows"):
            read_motor_curve(b"1,1\n" * (GREATEST_BYTES // 4))

    def test_a_long_curve_is_thinned_and_keeps_its_ends(self) -> None:
        curve = read_motor_curve("\n".join(f"{k},{300 - k / 10}" for k in range(1000)).encode())
        self.assertEqual((len(curve.points), curve.points[0][0], curve.points[-1][0]), (200, 0, 999))

    @given(st.binary(max_size=300))
    def test_no_bytes_break_it(self, data: bytes) -> None:
        try:
            points = read_motor_curve(data).points
        except UnreadableFile:
            return
        speeds = [point[0] for point in points]
        self.assertEqual(speeds, sorted(set(speeds)))
