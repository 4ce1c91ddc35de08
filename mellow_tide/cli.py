"""What the launcher runs inside the project's environment."""

import json
import os
import sys
from datetime import UTC, datetime
from pathlib import Path
from typing import Annotated

import typer

from mellow_tide.app import make_app
from mellow_tide.core.catalogue.loader import load_catalogue
from mellow_tide.core.checks.describe import describe_checks
from mellow_tide.core.checks.registry import CHECKS
from mellow_tide.core.formats.whole_record import make_schema
from mellow_tide.core.phrases.book import say
from mellow_tide.demo.load import ensure_demo
from mellow_tide.demo.load import reset_demo as load_demo_anew
from mellow_tide.services.door import BadSetting, DoorOffer, read_offers, read_public_url
from mellow_tide.services.people.password_link import make_password_link
from mellow_tide.store.clock import make_clock
from mellow_tide.store.database import Database, Sight
from mellow_tide.store.errors import NotThere
from mellow_tide.store.security import prune
from mellow_tide.store.upgrade.carry_over import freeze_stored_runs
from mellow_tide.store.upgrade.migrate import migrate
from mellow_tide.web.gate import Surroundings
from mellow_tide.web.server_log import make_log_config

cli = typer.Typer(add_completion=False, no_args_is_help=True, pretty_exceptions_enable=False)


@cli.command()
def prepare() -> None:
    """Migrate, then, where the door offers the demo, make it if there is none and give it today's sessions."""
    open_to = _offers()
    migrate(os.environ["TIDE_OWNER_DSN"])
    carried = freeze_stored_runs(os.environ["TIDE_OWNER_DSN"], load_catalogue())
    if carried.runs:
        typer.echo(f"  {carried}")
    with _owner() as db, db.transaction(Sight()) as t:
        prune(t, db.now())
    if "demo" not in open_to:
        return
    try:
        with _owner() as db:
            ensure_demo(db, datetime.now(UTC), _tell_progress)
    except Exception as error:
        # Whatever was done to the demo, the product starts.
        told = say("launch.demo_failed", error=error)
        typer.echo(f"  {told}")


@cli.command()
def reset_demo() -> None:
    """Put the demo practice back as shipped."""
    with _owner() as db:
        load_demo_anew(db, datetime.now(UTC), _tell_progress)


def _tell_progress(how_far: str) -> None:
    told = say("launch.demo_lives", how_far=how_far)
    typer.echo(f"  {told}")


@cli.command()
def serve(
    fd: Annotated[int, typer.Option(help="a listening socket's file descriptor")],
    key: Annotated[Path | None, typer.Option(help="the key of a certificate, to serve over TLS")] = None,
    certificate: Annotated[Path | None, typer.Option(help="that certificate")] = None,
) -> None:
    """Serve on a socket that is already bound."""
    import uvicorn

    authority = os.environ.get("TIDE_AUTHORITY")
    around = Surroundings(
        read_public_url(os.environ.get("TIDE_PUBLIC_URL", "")),
        authority=Path(authority) if authority else None,
    )
    app = make_app(
        os.environ["TIDE_DSN"], Path(os.environ["TIDE_WEB"]), make_clock(os.environ), _offers(), around
    )
    proxies = os.environ.get("TIDE_PROXIES", "")
    uvicorn.run(
        app,
        fd=fd,
        ssl_keyfile=key,
        ssl_certfile=certificate,
        log_config=make_log_config(os.environ.get("TIDE_LOG")),
        access_log=False,
        proxy_headers=bool(proxies),
        forwarded_allow_ips=proxies or None,
        server_header=False,
        timeout_graceful_shutdown=3,
    )


@cli.command()
def password(
    email: Annotated[str, typer.Argument(help="of whoever forgot it")],
    end_second_factor: Annotated[bool, typer.Option(help="their phone is gone, too")] = False,
) -> None:
    """Print the secret part of a link that sets a new password once."""
    with _owner() as db:
        try:
            typer.echo(make_password_link(db, email, end_second_factor))
        except NotThere:
            sys.exit(say("launch.nobody_has_email", email=email))


@cli.command()
def openapi(out: Path) -> None:
    """Write the description of the HTTP interface, from which the front end's types are made."""
    description = make_app("").openapi()
    out.write_text(json.dumps(description, indent=1, ensure_ascii=False) + "\n", encoding="utf-8")


@cli.command()
def checks(out: Path) -> None:
    """Write the page that lists every check."""
    out.write_text(describe_checks(CHECKS, load_catalogue()), encoding="utf-8")


@cli.command()
def record_schema(out: Path) -> None:
    """Write the JSON Schema of a client's whole record."""
    out.write_text(json.dumps(make_schema(), indent=1, ensure_ascii=False) + "\n", encoding="utf-8")


def _offers() -> frozenset[DoorOffer]:
    elsewhere = bool(read_public_url(os.environ.get("TIDE_PUBLIC_URL", "")))
    return read_offers(os.environ.get("TIDE_OPEN"), elsewhere)


def _owner() -> Database:
    return Database(os.environ["TIDE_OWNER_DSN"], most_connections=1)


def run() -> None:
    """Carry out a command; a setting that cannot be used is told in a line."""
    try:
        cli()
    except BadSetting as error:
        sys.exit(str(error))


if __name__ == "__main__":
    run()
