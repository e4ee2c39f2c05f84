/**
 * Tells what comes back from the address because it was sent there from what somebody else put there. What is sent comes
 * back later, and several may be on the way.
 */
export class Echo {
  /** What the address held last, and what was sent since then. */
  private sent: string[];

  constructor(start: string) {
    this.sent = [start];
  }

  send(value: string): void {
    this.sent.push(value);
  }

  /** Whether a value that the address holds now is what was sent; from now on it is what the address holds. */
  isOwn(value: string): boolean {
    const at = this.sent.indexOf(value);
    this.sent = at < 0 ? [value] : this.sent.slice(at);
    return at >= 0;
  }
}
