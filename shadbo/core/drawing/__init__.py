"""Drawings: assembly → scene → marks on a paper. The browser's board is just another paper."""
