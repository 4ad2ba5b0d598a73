namespace WornPath.Core.Sheets;

/// <summary>Ends and sides of a vehicle, several at once.</summary>
[Flags]
public enum Ends : byte
{
    None = 0,
    Front = 1,
    Rear = 2,
    Left = 4,
    Right = 8,
}
