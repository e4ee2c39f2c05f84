/** Razor: of several components, bases and types of one name, the one in a space that the file sees is meant. */
import { describe } from 'vitest';
import { RAZOR_MOUNT, razorCode as code } from './classes-testing';
import { casesFor, type Sources } from './testing';

const cases = casesFor(RAZOR_MOUNT, 'App.razor');

const takes = (name: string) => `<b>@${name}</b>${code(`[Parameter] public string? ${name} { get; set; }`)}`;

/** Two lamps: one takes a tint, the other a tone; a page in a folder of its own gives one of them a tint. */
const lamps = (page: string, more: Sources = {}): Sources => ({
  'App.razor': '<Yard />',
  'Shared/Lamp.razor': takes('Tint'),
  'Yard/Lamps/Lamp.razor': takes('Tone'),
  'Yard/Yard.razor': page,
  ...more,
});

const PROJECT = { 'Depot.Web.csproj': '<Project Sdk="Microsoft.NET.Sdk.Web"></Project>' };
const UNKNOWN = (line: number) => [`error prop/unknown Yard/Yard.razor:${line} Tint`];

describe('a tag', () => {
  cases(/^prop\/unknown/, [
    ['the nearest, where nothing is said', lamps('<Lamp Tint="a" />'), UNKNOWN(1)],
    ['the space that is used', lamps('@using Depot.Web.Shared\n<Lamp Tint="a" />', PROJECT), []],
    ['the same, without a project', lamps('@using Depot.Web.Shared\n<Lamp Tint="a" />'), []],
    ['the other one', lamps('@using Depot.Web.Yard.Lamps\n<Lamp Tint="a" />', PROJECT), UNKNOWN(2)],
    [
      'the one that its folder uses',
      lamps('<Lamp Tint="a" />', { ...PROJECT, 'Yard/_Imports.razor': '@using Depot.Web.Shared' }),
      [],
    ],
    [
      'the one that everything uses',
      lamps('<Lamp Tint="a" />', { ...PROJECT, 'Usings.cs': 'global using Depot.Web.Shared;\n' }),
      [],
    ],
    ['by its whole name', lamps('<Depot.Web.Shared.Lamp Tint="a" />', PROJECT), []],
    ['by a part of it', lamps('<Lamps.Lamp Tint="a" />', PROJECT), UNKNOWN(1)],
    [
      'one around the file before one that is used',
      lamps('@using Depot.Web.Shared\n<Lamp Tint="a" />', { ...PROJECT, 'Yard/Lamp.razor': takes('Tone') }),
      UNKNOWN(2),
    ],
    [
      'a project that calls itself otherwise',
      lamps('@using Rope.Shared\n<Lamp Tint="a" />', {
        'Depot.Web.csproj':
          '<Project><PropertyGroup><RootNamespace>Rope</RootNamespace></PropertyGroup></Project>',
      }),
      [],
    ],
    [
      'one that says itself where it lies',
      lamps('@using Rope.Lights\n<Lamp Tint="a" />', {
        ...PROJECT,
        'Shared/Lamp.razor': `@namespace Rope.Lights\n${takes('Tint')}`,
      }),
      [],
    ],
    [
      'a folder that says it',
      lamps('@using Rope.Shared\n<Lamp Tint="a" />', { ...PROJECT, '_Imports.razor': '@namespace Rope' }),
      [],
    ],
  ]);
});

describe('a tag with its space', () => {
  cases(/^(prop|component)\/un(known|resolved)/, [
    ['of a package', lamps('<Kit.Lights.Bulb Tint="a" />', PROJECT), []],
    ['of a package, called as one of the project is', lamps('<Kit.Lights.Lamp Tint="a" />', PROJECT), []],
    [
      'at the root, where nothing says what that is called',
      { 'App.razor': '<Rope.Lamp Tone="a" />', 'Lamp.razor': takes('Tint') },
      ['error prop/unknown App.razor:1 Tone'],
    ],
    [
      'of the project, where there is none',
      lamps('<Depot.Web.Shared.Bulb />', PROJECT),
      ['error component/unresolved Yard/Yard.razor:1 Depot.Web.Shared.Bulb'],
    ],
  ]);
});

describe('a base and a type', () => {
  const base = (space: string, name: string) =>
    `namespace ${space};\npublic class LampBase : ComponentBase { [Parameter] public string? ${name} { get; set; } }\n`;
  cases(/^prop\/(unknown|type-clash)/, [
    [
      'the base that the file sees',
      {
        'App.razor': '<Lamp Tint="a" />\n<Lamp Tone="a" />',
        'Lamps/Lamp.razor': '@using Rope.Lights\n@inherits LampBase\n<b>@Tint</b>',
        'A/LampBase.cs': base('Rope.Lights', 'Tint'),
        'B/LampBase.cs': base('Rope.Tones', 'Tone'),
      },
      ['error prop/unknown App.razor:2 Tone'],
    ],
    [
      'the type that the file sees',
      {
        'App.razor': '@using Rope.Lights\n<Lamp Tint="Red" /><Gate />',
        'Gate.razor': '@using Rope.Gates\n<Lamp Tint="Wide" />',
        'Lamp.razor': `@using Rope.Lights\n<b>@Tint</b>${code('[Parameter] public Kind Tint { get; set; }')}`,
        'A/Kind.cs': 'namespace Rope.Lights;\npublic enum Kind { Red, Green }\n',
        'B/Kind.cs': 'namespace Rope.Gates;\npublic enum Kind { Wide, Narrow }\n',
      },
      ['error prop/type-clash Gate.razor:2 Tint'],
    ],
  ]);
});
