/** Clocks are set a minute or an hour wrong; half a day, in ms, is no clock to go by. */
const FAR = 12 * 3600 * 1000;

/**
 * The device's clock as a run needs it: it never goes back, and it is never behind what is known to have happened,
 * whatever device that came from. So the order of times is the order in which things happened for everybody (hybrid
 * logical clocks: Kulkarni et al. 2014, from memory), and setting the clock back or ahead moves no tap.
 */
export class DeviceClock {
  private ahead = 0;
  private last = 0;

  constructor(private readonly own: () => number = () => Date.now()) {}

  /** Now, in ms since 1970. */
  now(): number {
    const reads = this.own() + this.ahead;
    if (reads < this.last) this.ahead += this.last - reads;
    this.last = Math.max(reads, this.last);
    return this.last;
  }

  /** Something has happened at `at`: from now on it is later. */
  saw(at: string | null | undefined) {
    if (at) this.last = Math.max(this.last, Date.parse(at));
  }

  /**
   * What was stamped `stamped` is known to have happened at `at`. Where the two are far apart the device's own clock is
   * wrong, by a flat battery say, and from now on it reads as everybody's does.
   */
  agree(stamped: string, at: string) {
    const off = Date.parse(at) - Date.parse(stamped);
    if (Math.abs(off) < FAR) return;
    this.ahead += off;
    this.last += off;
  }

  /** A time for what happens now, later than any before. */
  stamp(): string {
    const at = Math.max(this.now(), this.last + 1);
    this.last = at;
    return new Date(at).toISOString();
  }
}
