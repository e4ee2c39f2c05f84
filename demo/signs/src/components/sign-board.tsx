import { Component, Event, EventEmitter, h, Prop } from '@stencil/core';

@Component({ tag: 'sign-board', shadow: true })
export class SignBoard {
  @Prop() departures: { cabin: string; minutes: number }[] = [];
  @Prop() unit!: string;
  @Event() signPicked!: EventEmitter<string>;
  @Event() signCleared!: EventEmitter<void>;

  render() {
    return <sign-rows departures={this.departures} unit={this.unit} onClick={() => this.signPicked.emit('board')} />;
  }
}
