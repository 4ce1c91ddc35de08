"""What visits have taught."""
