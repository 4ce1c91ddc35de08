"""The strokes that fill a part."""
