namespace Wellsedes.Core.Plans;

/// <summary>An entity that can be locked in place: it neither moves nor goes until it is unlocked.</summary>
public interface ILockable
{
    bool Locked { get; }
}
