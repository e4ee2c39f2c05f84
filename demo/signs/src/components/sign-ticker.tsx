import { Component, Event, EventEmitter, h, Listen, State } from '@stencil/core';

@Component({ tag: 'sign-ticker', shadow: true })
export class SignTicker {
  @State() line = 0;
  @Event() tickerStoped!: EventEmitter<void>;

  @Listen('signPickd', { target: 'window' })
  next() {
    this.line += 1;
    if (this.line > 9) this.tickerStoped.emit();
  }

  render() {
    return <marquee>{this.line}</marquee>;
  }
}
