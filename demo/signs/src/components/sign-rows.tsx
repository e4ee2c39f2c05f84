import { Component, h, Prop } from '@stencil/core';

@Component({ tag: 'sign-rows', shadow: true })
export class SignRows {
  @Prop() departures: { cabin: string; minutes: number }[] = [];
  @Prop() unit!: string;

  render() {
    return (
      <ul>
        {this.departures.map((departure) => (
          <sign-row cabin={departure.cabin} minutes={departure.minutes} unit={this.unit} />
        ))}
      </ul>
    );
  }
}
