"""Linear programmes, solved by the library HiGHS.

Called through its own Python package: the general front ends cost several times the solving itself, and a
placement is worked out at every key press.
"""

import threading
from collections.abc import Sequence

import highspy

Row = tuple[tuple[tuple[int, float], ...], float]
"""One constraint: the coefficients by unknown, and what their sum may not exceed."""


class _Quiet(highspy.Highs):
    """The solver without its callbacks, whose set-up prints a banner to standard output."""

    def __init__(self) -> None:
        super(highspy.Highs, self).__init__()
        for option, value in (("output_flag", False), ("threads", 1), ("presolve", "off")):
            self.setOptionValue(option, value)


class _Own(threading.local):
    """A solver for each thread: to make one takes three times as long as to solve. A new model clears it."""

    def __init__(self) -> None:
        self.highs = _Quiet()


_OWN = _Own()


def least(cost: Sequence[float], rows: Sequence[Row]) -> list[float]:
    """Values of free unknowns that keep every row and make the cost least. ArithmeticError when none do."""
    highs = _OWN.highs
    n, m, free = len(cost), len(rows), highspy.kHighsInf
    lp = highspy.HighsLp()
    lp.num_col_, lp.num_row_ = n, m
    lp.col_cost_ = list(cost)
    lp.col_lower_, lp.col_upper_ = [-free] * n, [free] * n
    lp.row_lower_, lp.row_upper_ = [-free] * m, [bound for _, bound in rows]
    starts = [0]
    for terms, _ in rows:
        starts.append(starts[-1] + len(terms))
    matrix = lp.a_matrix_
    matrix.format_ = highspy.MatrixFormat.kRowwise
    matrix.start_ = starts
    matrix.index_ = [i for terms, _ in rows for i, _ in terms]
    matrix.value_ = [v for terms, _ in rows for _, v in terms]
    highs.passModel(lp)
    highs.run()
    if highs.getModelStatus() != highspy.HighsModelStatus.kOptimal:
        raise ArithmeticError("the linear programme has no least value")
    return list(highs.getSolution().col_value)
