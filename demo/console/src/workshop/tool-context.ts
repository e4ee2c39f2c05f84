import { createContext } from 'react';

export const ToolContext = createContext<string | null>(null);
