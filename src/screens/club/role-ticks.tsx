import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import { ROLES, type Role } from '@/contracts/club/roles';
import { roleName } from './people-words';

/** The roles that somebody has, to tick. */
export function RoleTicks({
  value,
  onChange,
}: {
  readonly value: readonly Role[];
  readonly onChange: (roles: Role[]) => void;
}) {
  return (
    <div role="group" aria-label="Roles">
      {ROLES.map((role) => (
        <FormControlLabel
          key={role}
          control={
            <Checkbox
              size="small"
              checked={value.includes(role)}
              onChange={(_, on) => {
                onChange(ROLES.filter((one) => (one === role ? on : value.includes(one))));
              }}
            />
          }
          label={roleName(role)}
        />
      ))}
    </div>
  );
}
