import { CheckBase } from './CheckBase';

export class LampTest extends CheckBase {
  render() {
    return (
      <div className="lamps">
        <b>{this.props.label}</b>
        {this.state.passed && <i>lit</i>}
      </div>
    );
  }
}
