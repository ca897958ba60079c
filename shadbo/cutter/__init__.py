"""A stand-in for a mat cutter: a small service on loopback that takes a cutting job over HTTP and cuts it in time."""
