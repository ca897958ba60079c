"""What the shop's own finished jobs say of its habits: robust figures, proposed and never applied by themselves."""
