import { Component, h, State } from '@stencil/core';

interface Departure {
  cabin: string;
  minutes: number;
}

/** All signs of one station. */
@Component({ tag: 'sign-wall', shadow: true })
export class SignWall {
  @State() departures: Departure[] = [
    { cabin: 'A4', minutes: 3 },
    { cabin: 'B1', minutes: 9 },
  ];
  @State() storm = false;
  @State() dimmed = 0;

  private clock?: HTMLSignClockElement;

  private wake = () => {
    this.clock?.synchronise();
    this.clock?.wnid();
  };

  render() {
    return (
      <main>
        <sign-header station="Lower Quillmoor" line={3}>
          <b slot="badge">Night service</b>
          <span slot="aside">Platform 2</span>
        </sign-header>
        <sign-board departures={this.departures} unit="min" onSignPicked={() => this.wake()} />
        <sign-lamp colour="amber" level="bright" onLampDimmed={(event) => (this.dimmed = event.detail)} />
        <sign-clock ref={(element) => (this.clock = element)} />
        <sign-notice text={`Dimmed ${this.dimmed} times`}>Mind the gap.</sign-notice>
        {this.storm && <sign-warning wind={31} unit="m/s" />}
        <sign-ticker onTickerStopped={() => (this.storm = true)} />
      </main>
    );
  }
}
