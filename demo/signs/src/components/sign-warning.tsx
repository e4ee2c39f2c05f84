import { Component, Event, EventEmitter, h, Prop } from '@stencil/core';

@Component({ tag: 'sign-warning', shadow: true })
export class SignWarning {
  @Prop() wind!: number;
  @Prop() unit!: string;
  @Event() warningClosed!: EventEmitter<void>;

  render() {
    return (
      <p onClick={() => this.warningClosed.emit()}>
        Wind {this.wind} {this.unit}
      </p>
    );
  }
}
