import { Component, Event, EventEmitter, h, Prop } from '@stencil/core';

@Component({ tag: 'sign-dial', shadow: true })
export class SignDial {
  @Prop() value = 1;
  @Event() valueChange!: EventEmitter<number>;

  render() {
    return <b onClick={() => this.valueChange.emit(1)}>{this.value}</b>;
  }
}
