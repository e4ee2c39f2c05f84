import { Component, Event, EventEmitter, h } from '@stencil/core';

@Component({ tag: 'sign-chimes', shadow: true })
export class SignChimes {
  @Event({ bubbles: false }) chimed!: EventEmitter<number>;

  render() {
    return <sign-chime onChimed={(event) => this.chimed.emit(event.detail)} />;
  }
}
