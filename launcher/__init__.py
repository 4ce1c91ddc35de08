"""Gets a bare machine ready and runs the product. Standard library only: it works before anything is installed."""
