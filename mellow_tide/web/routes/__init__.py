"""One file a family of routes; all but signing in hang on a router that asks who it is."""
