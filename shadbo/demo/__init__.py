"""The invented workshop: Netloft Framing at Skerrow harbour, its stock and its jobs."""
