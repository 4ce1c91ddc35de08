"""The flows that ship with the product."""
