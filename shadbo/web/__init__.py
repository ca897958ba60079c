"""The server: routers thin as paper over the store and the core."""
