export const browser: { package: string; launch: { executablePath: string; args: string[] } };
