"""What is cut from what: lines of a mat, lists of parts."""
