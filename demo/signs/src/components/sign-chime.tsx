import { Component, Event, EventEmitter, h } from '@stencil/core';

@Component({ tag: 'sign-chime', shadow: true })
export class SignChime {
  @Event({ bubbles: false }) chimed!: EventEmitter<number>;

  render() {
    return <sign-bell onChimed={(event) => this.chimed.emit(event.detail)} />;
  }
}
