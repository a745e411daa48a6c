using Plinth.Core.Concrete;
using Plinth.Core.Foundations;

namespace Plinth.Core.Kinds.Strip;

/// <summary>A design along which bars of a face run through, with extra ones beside them where it bends most.</summary>
internal interface ICurtailed
{
    /// <summary>The extra bars.</summary>
    ExtraLayout Extra { get; }

    /// <summary>The bars of a face that run through.</summary>
    BarSpec Through(bool bottom);

    /// <summary>The same with others.</summary>
    /// <param name="bottom">The face.</param>
    /// <param name="through">Its bars that run through.</param>
    /// <param name="extra">All extra bars.</param>
    FoundationDesign With(bool bottom, BarSpec through, ExtraLayout extra);
}
