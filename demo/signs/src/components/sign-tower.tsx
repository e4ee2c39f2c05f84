import { Component, Event, EventEmitter, h, Method, Prop } from '@stencil/core';

@Component({ tag: 'sign-tower', shadow: true })
export class SignTower {
  @Prop() height: number = 'tall';
  @Event() towerRung!: EventEmitter<void>;

  @Method()
  async raise() {
    this.towerRung.emit();
  }

  render() {
    return (
      <p>
        {this.height}
        <sign-bell />
      </p>
    );
  }
}
