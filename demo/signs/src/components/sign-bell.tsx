import { Component, Event, EventEmitter, h } from '@stencil/core';

@Component({ tag: 'sign-bell', shadow: true })
export class SignBell {
  @Event({ bubbles: false }) chimed!: EventEmitter<number>;

  render() {
    return <b onClick={() => this.chimed.emit(1)}>Bell</b>;
  }
}
