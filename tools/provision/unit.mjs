// The unit by which systemd starts a club's installation with the machine.

/**
 * The text of groval.service.
 * @param {{ node: string, project: string, user: string, folder: string, port: number, url: string | null }} of
 */
export const unitText = ({ node, project, user, folder, port, url }) => `[Unit]
Description=Groval, aircraft dispatch of the club
After=network.target

[Service]
Type=simple
User=${user}
WorkingDirectory=${project}
ExecStart=${node} ${project}/tools/club.mjs --folder ${folder} --port ${port}
${url === null ? '' : `Environment=GROVAL_URL=${url}\n`}Restart=on-failure
RestartSec=5
# The first start makes the database and builds; the last minutes of a stop are the database writing everything down.
TimeoutStartSec=15min
TimeoutStopSec=2min
# Only the command itself is told to end; it ends the server and the database in order.
KillMode=mixed
NoNewPrivileges=true
PrivateTmp=true
ProtectSystem=full

[Install]
WantedBy=multi-user.target
`;
