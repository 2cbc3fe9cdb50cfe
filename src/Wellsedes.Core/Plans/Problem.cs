namespace Wellsedes.Core.Plans;

/// <summary>
/// Why something cannot be: the field, the value and the way out. Where a likely meaning was found it is offered,
/// in mm; where only the size is unusual the edit can be sent again as sure.
/// </summary>
/// <param name="Value">The figure that was given, in mm, where it can be kept by saying so.</param>
public sealed record Problem(string Field, string Message, double? Likely = null, bool CanBeSure = false, double? Value = null);
