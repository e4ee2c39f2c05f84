import { Component } from 'react';

interface Props {
  label: string;
}

export class CheckBase extends Component<Props, { passed: boolean }> {
  state = { passed: false };

  pass = () => this.setState({ passed: true });

  render() {
    return (
      <button onClick={this.pass}>
        {this.props.label}: {this.state.passed ? 'passed' : 'to check'}
      </button>
    );
  }
}
