import { Component, h, Prop } from '@stencil/core';

@Component({ tag: 'sign-row', shadow: true })
export class SignRow {
  @Prop() cabin!: string;
  @Prop() minutes!: number;
  @Prop() unit!: string;
  @Prop() platform!: string;

  render() {
    return (
      <li>
        {this.cabin} {this.minutes} {this.unit} {this.platform}
      </li>
    );
  }
}
