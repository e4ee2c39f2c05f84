export function RoleMark({ role }: { role: string }) {
  return <abbr title={role}>{role[0]}</abbr>;
}
