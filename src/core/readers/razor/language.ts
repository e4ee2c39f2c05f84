import type { LanguageDescriptor } from '../../model/language';
import { readCSharpFile, readPage } from './csharp-file';
import { readRazorFile } from './file';

export const RAZOR: LanguageDescriptor = {
  name: 'razor',
  title: 'Razor',
  endings: ['.razor', '.cs', '.cshtml'],
  files: /\.(razor|cs|cshtml)$/,
  beside: { files: /\.(cs|cshtml)$/, main: /\.razor$/ },
  read: (path, text, readPart) =>
    path.endsWith('.razor')
      ? readRazorFile(path, text, readPart)
      : path.endsWith('.cshtml')
        ? readPage(path, text)
        : readCSharpFile(path, text),
  brings: (
    'Router Found NotFound Navigating RouteView LayoutView AuthorizeRouteView CascadingValue DynamicComponent ErrorBoundary ' +
    'CascadingAuthenticationState AuthorizeView Authorized NotAuthorized Authorizing NavLink PageTitle HeadContent HeadOutlet ' +
    'SectionOutlet SectionContent Virtualize EditForm ValidationSummary ValidationMessage DataAnnotationsValidator ' +
    'AntiforgeryToken FocusOnNavigate ImportMap ResourcePreloader NavigationLock StreamRendering QuickGrid PropertyColumn ' +
    'TemplateColumn Paginator Columns FormMappingScope HeadElement RenderModeSelector InputText InputTextArea InputNumber ' +
    'InputDate InputSelect InputCheckbox InputRadio InputRadioGroup InputFile DisplayName Label ItemContent ErrorContent ' +
    'Placeholder EmptyContent ChildContent SelectOption'
  ).split(' '),
  parsers: [],
  built: [],
  routers: [],
  pages: [],
  byFile: [],
  bringsNames: [],
};
