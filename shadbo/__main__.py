"""``python -m shadbo``."""

import sys

from shadbo.cli import main

sys.exit(main())
