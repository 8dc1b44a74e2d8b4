using KeepTally.Core.Circuits;
using KeepTally.Core.Events;

namespace KeepTally.Store.Practices;

/// <summary>A sheet to be kept: what stands on it, and in a circuit its own card and where on the way round it is.</summary>
public sealed record PlannedSheet(string Name, LogHead Head, string? CardJson = null, CircuitStop? Stop = null);
