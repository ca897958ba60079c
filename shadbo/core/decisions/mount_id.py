"""What a mount is called in a job."""

from typing import Annotated

from pydantic import Field

from shadbo.core.shop.values import Id

MountId = Annotated[str, Field(pattern=r"^[a-z][a-z -]{0,40}$")]
MountsById = Annotated[dict[Id, MountId], Field(max_length=60)]
