"""Reaching the product from devices in the same room: an authority of our own, and a certificate for this address."""

import ipaddress
import socket
from dataclasses import dataclass
from pathlib import Path

from launcher.places import SERVER_USER, own
from launcher.say import Trouble, run, step

FIRST_PORT = 8443
AUTHORITY_DAYS, DAYS, RENEWED_BEFORE_DAYS = 3650, 397, 30

PRIVATE = [
    ipaddress.IPv4Network(net) for net in ("10.0.0.0/8", "172.16.0.0/12", "192.168.0.0/16", "127.0.0.0/8")
]
"""Addresses of networks of one's own (RFC 1918), and this machine's own."""

ONLY_FOR = "critical," + ",".join(f"permitted;IP:{net.network_address}/{net.netmask}" for net in PRIVATE)
"""The authority can vouch for these, and for nothing else: a device that trusts it risks no more."""

EC = ["-newkey", "ec", "-pkeyopt", "ec_paramgen_curve:P-256", "-nodes"]
MEND = "look at the message above; to make the authority anew, delete the folder"


@dataclass(frozen=True)
class Certificate:
    """The files of a server's certificate, and of the authority that devices install."""

    key: Path
    certificate: Path
    authority: Path


def find_address() -> str:
    """Where the local network finds this machine. Raises `Trouble` where it does not."""
    with socket.socket(socket.AF_INET, socket.SOCK_DGRAM) as probe:
        try:
            # Nothing is sent: it only asks by which address such a packet would leave.
            probe.connect(("10.255.255.255", 9))
            return check_address(str(probe.getsockname()[0]))
        except (OSError, Trouble) as error:
            do = "name its address: ./tide start --lan ADDRESS"
            raise Trouble("this machine is in no local network", do) from error


def check_address(address: str) -> str:
    """The address, if it is one of a private network. Raises `Trouble`."""
    try:
        here = ipaddress.IPv4Address(address)
    except ValueError as error:
        raise Trouble(f"“{address}” is no address", "name one as 192.168.1.20") from error
    if not any(here in net for net in PRIVATE):
        raise Trouble(
            f"{address} is not a private address", "put a proxy with TLS in front: docs/operations.md"
        )
    return address


def ensure_certificate(folder: Path, address: str) -> Certificate:
    """The certificate for a private address, signed by the authority in `folder`; both are made if they are missing.

    Raises `Trouble`.
    """
    check_address(address)
    folder.mkdir(mode=0o711, parents=True, exist_ok=True)
    made = Certificate(
        folder / f"server-{address}.key", folder / f"server-{address}.crt", folder / "authority.crt"
    )
    if not made.authority.exists():
        _make_authority(folder)
    if not made.certificate.exists() or _ends_soon(made.certificate):
        _make_certificate(folder, address, made)
    return made


def _make_authority(folder: Path) -> None:
    with step("making an authority for this practice's devices"):
        key, fresh = folder / "authority.key", folder / "authority.new"
        key.touch(mode=0o600)
        of = ["-keyout", str(key), "-out", str(fresh), "-days", str(AUTHORITY_DAYS)]
        may = [
            "-addext",
            "basicConstraints=critical,CA:TRUE,pathlen:0",
            "-addext",
            "keyUsage=critical,keyCertSign",
        ]
        only = ["-addext", f"nameConstraints={ONLY_FOR}"]
        run(
            ["openssl", "req", "-x509", *EC, "-subj", "/CN=Mellow Tide of this practice", *of, *may, *only],
            MEND,
        )
        fresh.chmod(0o644)
        fresh.replace(folder / "authority.crt")


def _make_certificate(folder: Path, address: str, made: Certificate) -> None:
    asked, extensions, fresh = (folder / name for name in ("server.csr", "server.cnf", "server.new"))
    made.key.touch(mode=0o600)
    extensions.write_text(
        f"subjectAltName=IP:{address}\nbasicConstraints=critical,CA:FALSE\n"
        "keyUsage=critical,digitalSignature\nextendedKeyUsage=serverAuth\n"
    )
    run(
        ["openssl", "req", *EC, "-subj", f"/CN={address}", "-keyout", str(made.key), "-out", str(asked)], MEND
    )
    by = ["-CA", str(made.authority), "-CAkey", str(folder / "authority.key"), "-CAcreateserial"]
    how = ["-days", str(DAYS), "-extfile", str(extensions), "-out", str(fresh)]
    run(["openssl", "x509", "-req", "-in", str(asked), *by, *how], MEND)
    fresh.chmod(0o644)
    fresh.replace(made.certificate)
    own(made.key, SERVER_USER)


def _ends_soon(certificate: Path) -> bool:
    left = [
        "openssl",
        "x509",
        "-checkend",
        str(RENEWED_BEFORE_DAYS * 86_400),
        "-noout",
        "-in",
        str(certificate),
    ]
    try:
        run(left, MEND)
    except Trouble:
        return True
    return False
