"""A drawing as SVG at 1:1: one user unit is a millimetre."""

from html import escape

from driveline.drawing.model import Circle, Drawing, Entity, Layer, Path, Punch
from driveline.figures import System, decimal, written

STROKES = {Layer.CUT: ("#000", 0.35), Layer.MARK: ("#1d4ed8", 0.25), Layer.NOTES: ("#6b7280", 0.2)}
BORDER_MM = 10.0
NOTES_MM = 80.0  # room under the plate


def write_svg(drawing: Drawing, system: System = System.METRIC) -> str:
    """Return the drawing as an SVG document sized in mm, with room for its notes; reference entities are left out."""
    return _document(drawing, system, border_mm=BORDER_MM, foot_mm=NOTES_MM)


def write_sheet_svg(drawing: Drawing, system: System = System.METRIC) -> str:
    """Return a dimensioned sheet as an SVG document of the paper's own size."""
    return _document(drawing, decimal(system), border_mm=0.0, foot_mm=0.0)


def _document(drawing: Drawing, system: System, *, border_mm: float, foot_mm: float) -> str:
    left, right = drawing.least_x_mm - border_mm, drawing.greatest_x_mm + border_mm
    top, bottom = -drawing.greatest_y_mm - border_mm, -drawing.least_y_mm + foot_mm
    width, height = right - left, bottom - top
    shapes = "\n".join(_shape(entity, system) for entity in drawing.entities if entity.layer is not Layer.REFERENCE)
    return (
        f'<svg xmlns="http://www.w3.org/2000/svg" width="{width:.3f}mm" height="{height:.3f}mm" '
        f'viewBox="{left:.3f} {top:.3f} {width:.3f} {height:.3f}">\n'
        f"<title>{escape(drawing.title)}</title>\n{shapes}\n</svg>\n"
    )


def _shape(entity: Entity, system: System) -> str:
    colour, width_mm = STROKES[entity.layer]
    line = f'fill="none" stroke="{colour}" stroke-width="{width_mm}"'
    if isinstance(entity, Circle):
        return f'<circle cx="{entity.x_mm:.4f}" cy="{-entity.y_mm:.4f}" r="{entity.radius_mm:.4f}" {line}/>'
    if isinstance(entity, Path):
        return f'<path d="{path_data(entity)}" {line}/>'
    if isinstance(entity, Punch):
        x, y = entity.x_mm, -entity.y_mm
        return f'<path d="M{x - 2:.4f} {y:.4f}h4M{x:.4f} {y - 2:.4f}v4" {line}/>'
    anchor = ' text-anchor="middle"' if entity.centred else ""
    if entity.turned_deg:
        anchor += f' transform="rotate({-entity.turned_deg:g} {entity.x_mm:.3f} {-entity.y_mm:.3f})"'
    return (
        f'<text x="{entity.x_mm:.3f}" y="{-entity.y_mm:.3f}" font-size="{entity.height_mm}" font-family="sans-serif" '
        f'fill="{colour}" dominant-baseline="middle"{anchor}>{escape(written(entity.text, system))}</text>'
    )


def path_data(path: Path) -> str:
    """Return SVG path data, y down, each bulge as a true arc."""
    vertices = path.vertices
    parts = [f"M{vertices[0].x_mm:.4f} {-vertices[0].y_mm:.4f}"]
    ends = [*vertices[1:], vertices[0]] if path.closed else list(vertices[1:])
    for start, end in zip(vertices, ends, strict=False):
        if start.bulge:
            chord = ((end.x_mm - start.x_mm) ** 2 + (end.y_mm - start.y_mm) ** 2) ** 0.5
            radius = chord * (1 + start.bulge**2) / (4 * abs(start.bulge))
            large, sweep = int(abs(start.bulge) > 1), int(start.bulge < 0)
            parts.append(f"A{radius:.4f} {radius:.4f} 0 {large} {sweep} {end.x_mm:.4f} {-end.y_mm:.4f}")
        else:
            parts.append(f"L{end.x_mm:.4f} {-end.y_mm:.4f}")
    return "".join(parts) + ("Z" if path.closed else "")
