"""Where a drawing's photographs are found: at an address for the screen, inside the picture for a file."""

import base64
from collections.abc import Callable

from shadbo.core.drawing.marks import Image
from shadbo.files.photo import squared
from shadbo.store.photos import NoSuchPhoto, Photos


def ratio_of(image: Image) -> float:
    """Width : height of the box that it fills."""
    return min(max(image.width / max(image.height, 1e-6), 0.01), 100)


def addresses(job_id: int) -> Callable[[Image], str]:
    """Addresses of a job's squared photographs; the same picture has the same address."""

    def address(image: Image) -> str:
        corners = ",".join(f"{x:.4f},{y:.4f}" for x, y in image.corners)
        return f"/api/jobs/{job_id}/photos/{image.photo}/squared?corners={corners}&ratio={ratio_of(image):.3f}"

    return address


def enclosed(photos: Photos, job_id: int) -> Callable[[Image], str]:
    """The pictures themselves, as data in the drawing."""

    def data(image: Image) -> str:
        try:
            pixels = photos.pixels(job_id, image.photo, False)
        except NoSuchPhoto:
            return ""
        jpeg = squared(pixels, image.corners, ratio_of(image))
        return f"data:image/jpeg;base64,{base64.b64encode(jpeg).decode()}"

    return data
