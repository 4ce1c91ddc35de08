"""The made-up practice that ships: everybody and every place in it is invented."""
