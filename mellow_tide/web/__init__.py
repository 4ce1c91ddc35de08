"""HTTP: routes parse, call one service and answer; problems are RFC 9457 documents."""
