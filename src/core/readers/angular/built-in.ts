/**
 * What the framework's own directives, pipes and modules take on tags: attribute names, tags with `<` before them, names of
 * pipes with `|`, names that handles are put on by with `#`. As
 * the public documentation of its packages lists them.
 */
const CLASS_STYLE = ['ngClass', 'ngStyle'];
const CONTROL = [
  'ngIf',
  'ngIfThen',
  'ngIfElse',
  'ngFor',
  'ngForOf',
  'ngForTrackBy',
  'ngForTemplate',
  'ngSwitch',
  'ngSwitchCase',
  'ngSwitchDefault',
  'ngPlural',
  'ngPluralCase',
  'ngTemplateOutlet',
  'ngTemplateOutletContext',
  'ngTemplateOutletInjector',
  'ngComponentOutlet',
  'ngComponentOutletInputs',
  'ngComponentOutletInjector',
  'ngComponentOutletContent',
  'ngComponentOutletNgModule',
  'ngComponentOutletEnvironmentInjector',
];
const LINKS = [
  'routerLink',
  'queryParams',
  'fragment',
  'queryParamsHandling',
  'state',
  'info',
  'relativeTo',
  'preserveFragment',
  'skipLocationChange',
  'replaceUrl',
];
const LINK_ACTIVE = [
  'routerLinkActive',
  'routerLinkActiveOptions',
  '#routerLinkActive',
  'ariaCurrentWhenActive',
  'isActiveChange',
];
const OUTLET = [
  '#outlet',
  '<router-outlet',
  'name',
  'activate',
  'deactivate',
  'attach',
  'detach',
  'routerOutletData',
];
/** What the accessors of both kinds of forms take on fields. */
const FIELDS = ['compareWith', 'ngValue'];
const TEMPLATE_FORMS = [
  ...FIELDS,
  '#ngModel',
  '#ngModelGroup',
  '#ngForm',
  'ngModel',
  'ngModelChange',
  'ngModelOptions',
  'ngModelGroup',
  'ngForm',
  'ngSubmit',
  'ngFormOptions',
];
const REACTIVE_FORMS = [
  ...FIELDS,
  '#ngForm',
  'formControl',
  'formControlName',
  'formGroup',
  'formGroupName',
  'formArrayName',
  'ngSubmit',
];
const VALIDATORS = [
  'required',
  'minlength',
  'maxlength',
  'pattern',
  'min',
  'max',
  'email',
  'value',
  'disabled',
];
const IMAGE = [
  'ngSrc',
  'ngSrcset',
  'priority',
  'fill',
  'placeholder',
  'placeholderConfig',
  'loaderParams',
  'disableOptimizedSrcset',
  'sizes',
  'width',
  'height',
  'loading',
];

const PIPES: Record<string, string> = {
  AsyncPipe: 'async',
  CurrencyPipe: 'currency',
  DatePipe: 'date',
  DecimalPipe: 'number',
  I18nPluralPipe: 'i18nPlural',
  I18nSelectPipe: 'i18nSelect',
  JsonPipe: 'json',
  KeyValuePipe: 'keyvalue',
  LowerCasePipe: 'lowercase',
  PercentPipe: 'percent',
  SlicePipe: 'slice',
  TitleCasePipe: 'titlecase',
  UpperCasePipe: 'uppercase',
};
const COMMON = [...CLASS_STYLE, ...CONTROL, ...Object.values(PIPES).map((name) => `|${name}`)];

const TAKES: Record<string, readonly string[]> = {
  CommonModule: COMMON,
  NgClass: CLASS_STYLE,
  NgStyle: CLASS_STYLE,
  NgIf: CONTROL,
  NgFor: CONTROL,
  NgForOf: CONTROL,
  NgSwitch: CONTROL,
  NgSwitchCase: CONTROL,
  NgSwitchDefault: CONTROL,
  NgTemplateOutlet: CONTROL,
  NgComponentOutlet: CONTROL,
  NgPlural: CONTROL,
  NgPluralCase: CONTROL,
  NgOptimizedImage: IMAGE,
  BrowserModule: COMMON,
  BrowserAnimationsModule: COMMON,
  NoopAnimationsModule: COMMON,
  RouterModule: [...LINKS, ...LINK_ACTIVE, ...OUTLET],
  RouterLink: LINKS,
  RouterLinkWithHref: LINKS,
  RouterLinkActive: LINK_ACTIVE,
  RouterOutlet: OUTLET,
  FormsModule: [...TEMPLATE_FORMS, ...VALIDATORS],
  ReactiveFormsModule: [...REACTIVE_FORMS, ...VALIDATORS],
  HttpClientModule: [],
};

/** Names that something of the framework's packages takes on tags; undefined for what is not known. */
export function attributesTaken(from: string, name: string): readonly string[] | undefined {
  if (!/^@angular\/(common|router|forms|platform-browser)(\/|$)/.test(from)) return undefined;
  if (Object.hasOwn(TAKES, name)) return TAKES[name];
  return Object.hasOwn(PIPES, name) ? [`|${PIPES[name]!}`] : undefined;
}
