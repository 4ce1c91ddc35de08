"""Regions, zones, strokes, positions, windows and schools, as data with one typed loader."""
