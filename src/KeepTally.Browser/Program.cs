using System.Runtime.Versioning;

[assembly: SupportedOSPlatform("browser")]

// The run screen calls the exported functions of Bridge; starting does nothing.
return;
